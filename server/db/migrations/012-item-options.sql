-- What a buyer chooses of an item: a colour, a size.

alter table item add column options jsonb not null default '[]';
