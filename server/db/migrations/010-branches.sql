-- Places that a brand sells from, with address, bank accounts and numbers of their own.

-- A place that a brand sells from: its documents show its address, and name its bank accounts where it has own ones.
create table branch (
  id integer primary key generated always as identity,
  brand_id integer not null references brand,
  name text not null,
  address_lines jsonb not null,
  country text not null,
  phone text not null default '',
  email text not null default '',
  banks jsonb not null default '[]',
  -- nothing new begins there any more
  closed_at timestamptz,
  version integer not null default 1,
  unique (brand_id, name)
);

alter table sales_order add column branch_id integer references branch;
alter table number_series add column branch_id integer references branch;
alter table number_series drop constraint number_series_of;
alter table number_series
  add constraint number_series_of unique nulls not distinct (kind, brand_id, country, currency, branch_id);
