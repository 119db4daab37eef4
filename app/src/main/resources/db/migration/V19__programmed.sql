-- Programmings of a module, the newest first: their times correct what the pack says.
create index change_ledger_programmed on change_ledger (module, id desc) where data_identifier is null;
