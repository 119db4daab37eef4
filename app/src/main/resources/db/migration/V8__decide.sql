-- What people said for the plan of a job: wording of the service information, numbers of the part, what is wished.
create table decide_notes (
    job_id bigint primary key references job,
    content text not null,
    at timestamptz not null,
    who text not null
);

-- Judgement calls: the workshop's answers, and what was overruled for one job.
create table workshop_policy (
    school text primary key,
    answer text not null,
    at timestamptz not null,
    who text not null
);
create table overrule (
    job_id bigint not null references job,
    school text not null,
    answer text not null,
    reason text not null,
    at timestamptz not null,
    who text not null,
    primary key (job_id, school)
);

-- Settings that are to be changed need not come from a baseline.
alter table put_back alter column baseline_id drop not null;

-- What a plan needs, as a person noted it: here, or asked for and due.
create table need_note (
    job_id bigint not null references job,
    need text not null,
    here boolean not null,
    due_at timestamptz,
    detail text not null,
    at timestamptz not null,
    who text not null,
    primary key (job_id, need)
);

-- Passes of the workshop to makers' services: the one that runs longest.
create table maker_pass (
    service text primary key,
    until timestamptz not null,
    at timestamptz not null,
    who text not null
);

-- Requests by mail, until what was asked for arrived and belongs to the job.
create table request_letter (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    module text not null,
    recipient text not null,
    subject text not null,
    body text not null,
    reference text not null unique,
    drafted_at timestamptz not null,
    drafted_by text not null,
    sent_at timestamptz,
    due_at timestamptz,
    arrived_at timestamptz,
    arrived_as text not null default '',
    unique (job_id, module)
);

-- What a tool calls an operation, and where it is found in its menus.
create table menu_entry (
    id bigint generated always as identity primary key,
    pack text not null,
    operation text not null,
    module text not null,
    tool text not null,
    wording text not null,
    path text not null,
    warning text not null,
    job_id bigint not null references job,
    at timestamptz not null,
    who text not null,
    unique (pack, operation, module, tool, path)
);
create index menu_entry_operation on menu_entry (pack, operation, module);

-- Raised whenever something of the job changes, on any node: what was gathered at the same revision is still true.
alter table job add column revision bigint not null default 0;
create function raise_job_revision() returns trigger language plpgsql as $$
begin
    if tg_op in ('UPDATE', 'DELETE') then
        update job set revision = revision + 1 where id = old.job_id;
    end if;
    if tg_op = 'INSERT' or (tg_op = 'UPDATE' and new.job_id is distinct from old.job_id) then
        update job set revision = revision + 1 where id = new.job_id;
    end if;
    return null;
end $$;
do $$
declare
    child text;
begin
    foreach child in array array['hold_point', 'bench_check', 'scan', 'baseline', 'plan', 'prepared_calibration', 'line_sheet', 'run',
        'refused_act', 'put_back', 'intake', 'fault_note', 'bench_notes', 'decide_notes', 'overrule', 'need_note', 'request_letter']
    loop
        execute format('create trigger %I after insert or update or delete on %I for each row execute function raise_job_revision()',
            child || '_revision', child);
    end loop;
end $$;

-- An authorisation holds for the vehicle, so for every open job on it; passes and policy hold for the workshop.
create function raise_vehicle_revision() returns trigger language plpgsql as $$
begin
    update job set revision = revision + 1 where vehicle_id = new.vehicle_id and closed_at is null;
    return null;
end $$;
create trigger authorisation_revision after insert or update on authorisation for each row execute function raise_vehicle_revision();
create function raise_open_revisions() returns trigger language plpgsql as $$
begin
    update job set revision = revision + 1 where closed_at is null;
    return null;
end $$;
create trigger maker_pass_revision after insert or update or delete on maker_pass for each statement execute function raise_open_revisions();
create trigger workshop_policy_revision after insert or update or delete on workshop_policy for each statement execute function raise_open_revisions();
