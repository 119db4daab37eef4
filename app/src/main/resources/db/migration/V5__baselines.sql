-- A baseline may come from a file, may be of one module, and may be how a vehicle was left or a reference.
alter table baseline alter column job_id drop not null;
alter table baseline
    add column origin text not null default 'READ' check (origin in ('READ', 'IMPORTED', 'ARCHIVE')),
    add column purpose text not null default 'BEFORE' check (purpose in ('BEFORE', 'AS_LEFT', 'REFERENCE', 'OLD_PART')),
    add column scope text not null default '';
create index baseline_purpose on baseline (purpose, taken_at desc);

-- Lost settings that a person chose to put back, each by itself.
create table put_back (
    job_id bigint not null references job,
    module text not null,
    layout text not null,
    field text not null,
    value text not null,
    found text not null,
    baseline_id bigint not null references baseline,
    at timestamptz not null,
    who text not null,
    primary key (job_id, layout, field)
);
