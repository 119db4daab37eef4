-- Settings that this workshop changes often, by model: the loom shows them first.
create table favourite_setting (
    id bigint generated always as identity primary key,
    pack text not null,
    setting text not null,
    at timestamptz not null,
    who text not null,
    unique (pack, setting)
);
