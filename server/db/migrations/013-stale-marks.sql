-- A prepared document that is marked again while it is being built anew stays marked.

alter table prepared_document add column stale_mark integer not null default 0;

-- Counts how often a prepared document was marked: whoever builds it anew clears only the marks that were there
-- when they began to read what it is made of.
create function count_stale_marks() returns trigger language plpgsql as $fn$
begin
  new.stale_mark := old.stale_mark + 1;
  return new;
end $fn$;
create trigger stale_marks before update of stale on prepared_document
  for each row when (new.stale) execute function count_stale_marks();
