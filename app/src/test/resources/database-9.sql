insert into vehicle (vin, pack, model, created_at) values ('0BKLR3A46MN004127', 'brennick-lorne', 'Lorne', '2026-03-01 09:00+00');
insert into job (number, vehicle_id, kind, complaint, replaced_module, part_origin, created_at, created_by)
    values (2299, 1, 'REPLACE_MODULE', 'It does not move', 'tail-lift', 'SECOND_HAND', '2026-03-01 09:00+00', 'desk');
insert into hold_point (job_id, point, state, who, at, why) values (1, 'CONSENT', 'KEPT', 'tech', '2026-03-01 09:05+00', 'confirmed');
insert into intake (job_id, content, at, who) values (1, '{"oldModule":"STILL_IN","oldReading":{"read":true,"sentence":"It was read."},
    "variant":"","details":{"partState":null,"earlier":"","papersVin":"","mileage":84210,"lights":"","keysHere":0,"keysAll":0,
    "ownership":"","identifiers":[{"what":"Label","value":"A 17","source":"door"}]}}', '2026-03-01 09:01+00', 'desk');
insert into bench_check (job_id, interface, module, volts, at, who) values (1, 'Plover', 'Body', 13.7, '2026-03-01 09:06+00', 'tech');
insert into bench_notes (job_id, content, at, who)
    values (1, '{"cableSeen":true,"sleepOff":false,"updatesOff":false,"others":[],"battery":null}', '2026-03-01 09:07+00', 'tech');
insert into stranger (job_id, vin, sentence, at, who) values (1, '0BKLR3A48MN004131', 'You are on another.', '2026-03-01 09:08+00', 'tech');
insert into scan (job_id, taken_at, taken_by, readings) values (1, '2026-03-01 09:10+00', 'tech',
    '[{"module":"body","presence":"ANSWERS","identification":{},"coding":{},"faults":[{"code":"U1A04-11","status":9}],"faultsRead":true}]');
insert into fault_note (job_id, module, code, note, at, who) values (1, 'body', 'U1A04-11', 'sensor covered', '2026-03-01 09:11+00', 'tech');
insert into refused_act (job_id, stage, title, reason, at, who) values (1, 'run', 'the run', 'locked', '2026-03-01 09:12+00', 'tech');
insert into plan (job_id, version, scan_id, made_at, made_by, content) values (1, 1, 1, '2026-03-01 09:13+00', 'tech',
    '{"operations":[{"kind":"SCAN","module":"","title":"Scan","reasons":["All."],"needs":[],"holds":[],"safeToStopDuring":true,
    "seconds":20,"prompts":[]}],"decisions":[]}');
insert into decide_notes (job_id, content, at, who) values (1, '{"wording":"","fitted":"","offered":"BK-67220-B3","feature":"",
    "codesOut":[],"codesIn":[],"settled":[]}', '2026-03-01 09:14+00', 'tech');
insert into put_back (job_id, module, layout, field, value, found, at, who)
    values (1, 'climate', 'climate-main', 'rear.unit', 'none', 'fitted', '2026-03-01 09:15+00', 'tech');
insert into overrule (job_id, school, answer, reason, at, who) values (1, 'neighbours', 'level-set', 'as agreed', '2026-03-01 09:16+00', 'lead');
insert into need_note (job_id, need, here, due_at, detail, at, who)
    values (1, 'pass:brennick', false, '2026-03-04 10:00+00', 'ordered', '2026-03-01 09:17+00', 'tech');
insert into line_sheet (job_id, module, source, content, at, who)
    values (1, 'tail-lift', 'pasted', 'LFT/01  00 | 00', '2026-03-01 09:18+00', 'tech');
insert into run (job_id, plan_id, state, node, interface, fence, task_index, task_count, task_title, committed, block, blocks,
    confirmed_bytes, started_at, started_by, ended_at, sentence, next_step) values (1, 1, 'STOPPED', 'n', 'Plover', 1, 1, 2,
    'Program the tail lift to 3.12', true, 3, 9, 100, '2026-03-01 09:20+00', 'tech', '2026-03-01 09:21+00', 'It was stopped.', 'Go on.');
insert into journal (run_id, number, at, purpose, module, request, writes, state) values
    (1, 1, '2026-03-01 09:20+00', 'Erase', 'body', '31', true, 'POSITIVE'),
    (1, 2, '2026-03-01 09:20+00', 'Open the session', 'tail-lift', '10', false, 'POSITIVE'),
    (1, 3, '2026-03-01 09:20+00', 'Erase', 'tail-lift', '31', true, 'POSITIVE'),
    (1, 4, '2026-03-01 09:21+00', 'Send 9 blocks', 'tail-lift', '36', true, 'POSITIVE');
