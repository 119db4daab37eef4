-- The acts of one person, and those on one thing, newest first.
create index audit_who on audit (who, number desc);
create index audit_subject on audit (subject, number desc);
