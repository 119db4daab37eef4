-- What a second person points at in a job, until it is seen.
create table job_pointer (
    job_id bigint primary key references job on delete cascade,
    who text not null,
    spot text not null,
    note text not null,
    at timestamptz not null
);
