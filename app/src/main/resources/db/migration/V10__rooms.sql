-- Notes on jobs: one table, in which each stage keeps forms of its own. The version tells how the content is to be read.
create table job_note (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    kind text not null,
    subject text not null default '',
    version int not null check (version > 0),
    content text not null,
    at timestamptz not null,
    who text not null,
    unique (job_id, kind, subject)
);

-- Every row that was kept before goes along.
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'intake', 1, content, at, who from intake;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'old-reading', 1, (content::jsonb -> 'oldReading')::text, at, who from intake
    where jsonb_typeof(content::jsonb -> 'oldReading') = 'object';
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'bench', 1, content, at, who from bench_notes;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'bench-check', 1,
        jsonb_build_object('interfaceName', interface, 'module', module, 'volts', volts)::text, at, who from bench_check;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'stranger', 1, jsonb_build_object('vin', vin, 'sentence', sentence)::text, at, who from stranger;
insert into job_note (job_id, kind, subject, version, content, at, who)
    select job_id, 'fault', module || '/' || code, 1,
        jsonb_build_object('module', module, 'code', code, 'note', note)::text, at, who from fault_note;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'refused', 1, jsonb_build_object('stage', stage, 'title', title, 'reason', reason)::text, at, who
    from refused_act;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'decide', 1, content, at, who from decide_notes;
insert into job_note (job_id, kind, version, content, at, who)
    select job_id, 'chosen', 1,
        jsonb_build_object('baseline', coalesce(max(baseline_id), 0), 'settings', jsonb_agg(jsonb_build_object(
            'module', module, 'layout', layout, 'field', field, 'value', value, 'found', found) order by layout, field))::text,
        max(at), max(who)
    from put_back group by job_id;
insert into job_note (job_id, kind, subject, version, content, at, who)
    select job_id, 'overrule', school, 1, jsonb_build_object('answer', answer, 'reason', reason)::text, at, who from overrule;
insert into job_note (job_id, kind, subject, version, content, at, who)
    select job_id, 'need', need, 1, jsonb_build_object('here', here, 'due',
        coalesce(to_char(due_at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.US"Z"'), ''), 'detail', detail)::text, at, who
    from need_note;
insert into job_note (job_id, kind, subject, version, content, at, who)
    select job_id, 'sheet', module, 1, jsonb_build_object('source', source, 'content', content)::text, at, who from line_sheet;

drop table intake, bench_notes, bench_check, stranger, fault_note, refused_act, decide_notes, put_back, overrule, need_note,
    line_sheet;

-- Texts that are read as JSON say in which form they were written.
alter table scan add column form int not null default 1;
alter table plan add column form int not null default 1;
alter table calibration add column form int not null default 1;
alter table authority_account add column form int not null default 1;

-- Nothing in the database knows the application any more: the board asks what has moved.
drop function raise_job_revision() cascade;
drop function raise_vehicle_revision() cascade;
drop function raise_open_revisions() cascade;
alter table job drop column revision;

-- Which task a step belongs to: what was written is asked by the task, not by its words.
alter table journal add column task int;
-- Of runs before, the task at which each ended: what it erased is not erased again. Tasks before that are in the ledger.
update journal j set task = r.task_index
    from run r
    where r.id = j.run_id and j.writes
      and j.module = (select l.module from journal l where l.run_id = r.id order by l.number desc limit 1)
      and (j.purpose = r.task_title or r.task_title like 'Program %');
