-- What was noted at arrival, as one text, and photos by content.
create table intake (
    job_id bigint primary key references job,
    content text not null,
    at timestamptz not null,
    who text not null
);
create table photo (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    caption text not null,
    sha256 text not null references stored_file,
    at timestamptz not null,
    who text not null
);
create index photo_job on photo (job_id);

-- Faults with a physical reason, as a person noted it, to be looked at again at the end.
create table fault_note (
    job_id bigint not null references job,
    module text not null,
    code text not null,
    note text not null,
    at timestamptz not null,
    who text not null,
    primary key (job_id, module, code)
);
