-- Texts of the house that stand on documents: terms, a footer, a remark.

create table standing_text (
  id integer primary key generated always as identity,
  name text not null unique,
  kinds jsonb not null default '[]',
  brand_id integer references brand,
  customers text not null default 'all' check (customers in ('all', 'business', 'private')),
  place text not null check (place in ('before the foot', 'foot', 'own page')),
  texts jsonb not null,
  from_day date,
  until_day date,
  version integer not null default 1
);
