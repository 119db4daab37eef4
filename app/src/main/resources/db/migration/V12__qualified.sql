-- What somebody is allowed to do beside the role, by what the workshop knows of them.
alter table account add column licensed boolean not null default false;
alter table account add column high_voltage boolean not null default false;
