-- What was on the wire in a run, as packed text; a run that is recovered has a piece for each part.
create table run_trace (
    id bigint generated always as identity primary key,
    run_id bigint not null references run,
    taken_at timestamptz not null,
    events int not null,
    dropped bigint not null,
    sha256 text not null references stored_file
);
create index run_trace_run on run_trace (run_id, taken_at);
