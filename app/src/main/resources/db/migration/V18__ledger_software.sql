-- Which software a module had when it was written: not every software keeps its coding alike.
alter table change_ledger add column software text not null default '';
