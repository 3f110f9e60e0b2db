-- What a desk knows of an item, its prices and customers' own numbers; fields of the house's own.

alter table item add column gtin text not null default '';
alter table item add column weight numeric;
alter table item add column size text not null default '';
alter table item add column commodity_code text not null default '';
alter table item add column origin text not null default '';
alter table item add column place text not null default '';
alter table item add column category text not null default '';
alter table item add column units jsonb not null default '{}';
alter table item add column fields jsonb not null default '{}';
create index item_gtin on item (gtin) where gtin <> '';

create table item_price (
  id integer primary key generated always as identity,
  item_id integer not null references item on delete cascade,
  currency text not null,
  group_name text not null default '',
  price numeric(14,4) not null,
  unique (item_id, currency, group_name)
);

create table item_customer_code (
  id integer primary key generated always as identity,
  item_id integer not null references item on delete cascade,
  customer_id integer not null references customer,
  code text not null,
  unique (item_id, customer_id)
);
create index item_customer_code_customer_id_idx on item_customer_code (customer_id, code);

create table own_field (
  id integer primary key generated always as identity,
  of text not null check (of in ('order', 'line', 'item', 'customer')),
  name text not null,
  kind text not null check (kind in ('text', 'number', 'date', 'choice', 'yes/no')),
  choices jsonb not null default '[]',
  labels jsonb not null default '{}',
  printed boolean not null default false,
  position integer not null,
  unique (of, name)
);
insert into own_field (of, name, kind, position)
select 'order', f.name, 'text', f.place
from company, jsonb_array_elements_text(order_fields) with ordinality f (name, place);
alter table company drop column order_fields;

alter table customer add column fields jsonb not null default '{}';
alter table order_line add column fields jsonb not null default '{}';
