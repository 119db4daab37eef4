-- What an authority said of the workshop when it was last asked. The authority itself is the truth.
create table authority_account (
    authority text primary key,
    asked_at timestamptz not null,
    content text not null,
    trouble text not null
);

-- What was granted for a vehicle, and whether its gateway was seen to be open. The grant itself is not kept.
create table authorisation (
    id bigint generated always as identity primary key,
    vehicle_id bigint not null references vehicle,
    job_id bigint not null references job,
    authority text not null,
    tool text not null,
    technician text not null,
    granted_at timestamptz not null,
    until timestamptz not null,
    proven_at timestamptz,
    ended_at timestamptz,
    why_ended text not null default ''
);
create index authorisation_vehicle on authorisation (vehicle_id, granted_at desc);

-- The act of a job that was refused for want of something else: the remedy leads back to it.
create table refused_act (
    job_id bigint primary key references job,
    stage text not null,
    title text not null,
    reason text not null,
    at timestamptz not null,
    who text not null
);
