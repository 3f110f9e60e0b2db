-- Of two people who change an own field the later one sees what the other changed.

alter table own_field add column version integer not null default 1;
