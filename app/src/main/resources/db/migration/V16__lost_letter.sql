-- A letter of which the maker's mail room knew nothing when its answer was looked for: it is sent anew.
alter table request_letter add column lost_at timestamptz;
