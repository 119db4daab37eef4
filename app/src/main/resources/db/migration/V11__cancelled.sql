-- why a job ended before its work: it was cancelled
alter table job add column closed_why varchar(200) not null default '';
