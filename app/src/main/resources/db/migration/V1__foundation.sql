-- Accounts and their roles: lead, tech, trainee, desk, specialist.
create table account (
    id bigint generated always as identity primary key,
    name text not null unique,
    password text not null,
    role text not null check (role in ('LEAD', 'TECH', 'TRAINEE', 'DESK', 'SPECIALIST'))
);

create table vehicle (
    id bigint generated always as identity primary key,
    vin text not null unique check (length(vin) = 17),
    pack text not null,
    model text not null,
    created_at timestamptz not null
);

create sequence job_number start 2201;

create table job (
    id bigint generated always as identity primary key,
    number bigint not null unique,
    vehicle_id bigint not null references vehicle,
    kind text not null,
    complaint text not null,
    replaced_module text,
    part_origin text,
    created_at timestamptz not null,
    created_by text not null,
    closed_at timestamptz
);
create index job_open on job (created_at desc) where closed_at is null;
create index job_vehicle on job (vehicle_id);

-- Hold points that a person kept or waived. Those kept by facts are computed and have no row.
create table hold_point (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    point text not null,
    state text not null check (state in ('KEPT', 'WAIVED')),
    who text not null,
    at timestamptz not null,
    why text not null,
    unique (job_id, point)
);

-- What the bench check found: one answered request, and the voltage at that moment.
create table bench_check (
    job_id bigint primary key references job,
    interface text not null,
    module text not null,
    volts double precision,
    at timestamptz not null,
    who text not null
);

create table scan (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    taken_at timestamptz not null,
    taken_by text not null,
    readings text not null
);
create index scan_job on scan (job_id, taken_at desc);

create table baseline (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    vehicle_id bigint not null references vehicle,
    taken_at timestamptz not null,
    taken_by text not null,
    sha256 text not null check (length(sha256) = 64),
    content text not null
);
create index baseline_vehicle on baseline (vehicle_id, taken_at desc);
create index baseline_job on baseline (job_id, taken_at desc);

create table plan (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    version int not null check (version > 0),
    scan_id bigint not null references scan,
    made_at timestamptz not null,
    made_by text not null,
    content text not null,
    unique (job_id, version)
);

-- Files by content: a file bought once is never bought twice.
create table stored_file (
    sha256 text primary key check (length(sha256) = 64),
    size bigint not null,
    stored_at timestamptz not null
);
create table file_chunk (
    sha256 text not null references stored_file,
    number int not null,
    content bytea not null check (octet_length(content) <= 1048576),
    primary key (sha256, number)
);

create table calibration (
    id bigint generated always as identity primary key,
    manifest_id text not null,
    pack text not null,
    module text not null,
    software_after text not null,
    manifest text not null,
    sha256 text not null references stored_file,
    fetched_at timestamptz not null,
    unique (manifest_id, sha256)
);

-- What a job has at hand for its run.
create table prepared_calibration (
    job_id bigint primary key references job,
    calibration_id bigint not null references calibration,
    at timestamptz not null,
    who text not null
);
create table line_sheet (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    module text not null,
    source text not null,
    content text not null,
    at timestamptz not null,
    who text not null,
    unique (job_id, module)
);

create table run (
    id bigint generated always as identity primary key,
    job_id bigint not null references job,
    plan_id bigint not null references plan,
    state text not null check (state in ('RUNNING', 'FINISHED', 'STOPPED', 'INTERRUPTED')),
    node text not null,
    interface text not null,
    fence bigint not null,
    task_index int not null,
    task_count int not null,
    task_title text not null,
    committed boolean not null,
    block int not null,
    blocks int not null,
    confirmed_bytes bigint not null,
    started_at timestamptz not null,
    started_by text not null,
    ended_at timestamptz,
    sentence text not null,
    next_step text not null
);
create index run_job on run (job_id, started_at desc);
create index run_running on run (interface) where state = 'RUNNING';

-- Every step is written here, and committed, before it is sent. Blocks share one row, whose mark moves at most once a second.
create table journal (
    id bigint generated always as identity primary key,
    run_id bigint not null references run,
    number int not null,
    at timestamptz not null,
    purpose text not null,
    module text not null,
    request text not null,
    writes boolean not null,
    state text not null check (state in ('OPEN', 'POSITIVE', 'REFUSED', 'SILENT')),
    answer text,
    closed_at timestamptz,
    unique (run_id, number)
);

-- Who may use an interface, by the database's clock. The fence grows with every taking.
create table lease (
    interface text primary key,
    node text not null,
    fence bigint not null,
    until timestamptz not null
);

-- What was changed in a vehicle, with what was there before: the undo set.
create table change_ledger (
    id bigint generated always as identity primary key,
    vehicle_id bigint not null references vehicle,
    job_id bigint not null references job,
    run_id bigint not null references run,
    at timestamptz not null,
    who text not null,
    module text not null,
    what text not null,
    data_identifier int,
    before text not null,
    after text not null
);
create index change_ledger_vehicle on change_ledger (vehicle_id, at desc);

create table audit (
    number bigint primary key,
    at timestamptz not null,
    who text not null,
    act text not null,
    subject text not null,
    detail text not null,
    mark text not null check (length(mark) = 64)
);
