-- Nothing twice, nothing on the wrong vehicle.

-- A plan version is carried out once. Older databases may hold two runs of one plan: the newest stands for it.
alter table run add column carries_out bigint unique references plan;
update run set carries_out = plan_id where id in (select max(id) from run group by plan_id);

-- A lease belongs to a run, not to a node: two runs of one node can't take it from each other.
alter table lease add column run_id bigint;

-- Each task of a run stands in the ledger once, however often the run was recovered.
alter table change_ledger add column task int;
create unique index change_ledger_task on change_ledger (run_id, task);

-- What became of a step that was open when the run was lost is not known.
alter table journal drop constraint journal_state_check;
alter table journal add constraint journal_state_check check (state in ('OPEN', 'POSITIVE', 'REFUSED', 'SILENT', 'UNKNOWN'));

-- Acts of people: one at a time for a job; the later of two reads who was first, and what.
alter table job add column version bigint not null default 0;
alter table job add column last_act text not null default '';
alter table job add column last_who text not null default '';
alter table job add column last_at timestamptz;

-- A form's key is used once: what was pressed twice is done once.
create table press (
    key text primary key,
    job_id bigint references job,
    what text not null,
    who text not null,
    at timestamptz not null
);
create index press_at on press (at);

-- What a kept or waived hold point is about: which modules carry which VIN. Null for those from before.
alter table hold_point add column about text;

-- Another vehicle answered when this job was to be read: it waits for a person until the right one answers.
create table stranger (
    job_id bigint primary key references job,
    vin text not null,
    sentence text not null,
    at timestamptz not null,
    who text not null
);
create trigger stranger_revision after insert or update or delete on stranger for each row execute function raise_job_revision();
alter table job add column reopened_at timestamptz;

-- People who left, or whose account is not to be used.
alter table account add column disabled boolean not null default false;

-- The same file is taken in once for a vehicle, however often it is sent.
create unique index baseline_imported on baseline (vehicle_id, sha256) where origin = 'IMPORTED';
