-- A prepared document that is marked again while it is being built anew stays marked: whoever builds it clears only
-- the marks that were there when they began to read what it is made of.

alter table prepared_document add column stale_mark integer not null default 0;
