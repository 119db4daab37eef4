-- What people noted about an interface, and when a vehicle answered over it last.
create table tool (
    name text primary key,
    licence_until date,
    answered_at timestamptz,
    setup_begun_at timestamptz,
    setup_by text
);
create table tool_step (
    tool text not null references tool,
    step text not null,
    at timestamptz not null,
    who text not null,
    primary key (tool, step)
);

-- What people noted at the bench for one job, as one text.
create table bench_notes (
    job_id bigint primary key references job,
    content text not null,
    at timestamptz not null,
    who text not null
);
