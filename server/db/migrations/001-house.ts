export const house = `
create extension if not exists pg_trgm;

create table company (
  id integer primary key check (id = 1),
  name text not null,
  installation_id uuid not null,
  time_zone text not null,
  country text not null,
  currency text not null,
  language text not null,
  tax_rates jsonb not null,
  order_statuses jsonb not null,
  presume_seconds integer not null check (presume_seconds > 0),
  failure_notice_to text not null default ''
);

create table staff (
  id integer generated always as identity primary key,
  email text not null unique,
  name text not null,
  role text not null check (role in ('clerk', 'supervisor', 'reader')),
  password_hash text not null
);

create table brand (
  id integer generated always as identity primary key,
  code text not null unique,
  name text not null,
  legal_name text not null,
  address_lines jsonb not null,
  country text not null,
  phone text not null default '',
  email text not null default '',
  website text not null default '',
  registration text not null default '',
  tax_number text not null default '',
  bank_name text not null default '',
  iban text not null default '',
  bic text not null default '',
  sender_name text not null,
  sender_address text not null,
  reply_to text not null,
  version integer not null default 1
);

create table stationery (
  id integer generated always as identity primary key,
  brand_id integer not null references brand,
  kind text not null,
  version integer not null,
  design jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  unique (brand_id, kind, version)
);

create table cover_note (
  id integer generated always as identity primary key,
  brand_id integer not null references brand,
  kind text not null,
  language text not null,
  version integer not null,
  subject text not null,
  text text not null,
  made_at timestamptz not null,
  made_by text not null,
  unique (brand_id, kind, language, version)
);

create table number_series (
  id integer generated always as identity primary key,
  kind text not null,
  brand_id integer not null references brand,
  prefix text not null,
  suffix text not null,
  length integer not null,
  start integer not null,
  restart text not null,
  business_year_start integer not null default 1,
  unique (kind, brand_id)
);

create table series_counter (
  series_id integer not null references number_series,
  period text not null,
  last integer not null,
  primary key (series_id, period)
);

create table customer (
  id integer generated always as identity primary key,
  number text not null unique,
  name text not null,
  group_name text not null,
  language text not null,
  currency text not null,
  country text not null,
  terms jsonb not null,
  tax_number text,
  salesperson text not null default '',
  billing jsonb,
  wishes jsonb not null default '{}',
  version integer not null default 1
);

create table contact (
  id integer generated always as identity primary key,
  customer_id integer not null references customer,
  name text not null,
  email text not null,
  role text not null check (role in ('buying', 'billing', 'goods-in', 'anyone'))
);
create index on contact (customer_id);

create table item (
  id integer generated always as identity primary key,
  code text not null unique,
  names jsonb not null,
  unit text not null default '',
  price numeric(14,4) not null,
  tax_code text not null
);

create table sales_order (
  id integer generated always as identity primary key,
  number text not null unique,
  brand_id integer not null references brand,
  customer_id integer not null references customer,
  date date not null,
  status text not null,
  status_since timestamptz not null,
  currency text not null,
  prices_include_tax boolean not null default false,
  reference text,
  salesperson text not null default '',
  customer_note text,
  prepaid numeric(14,2) not null default 0,
  adjustments jsonb not null default '[]',
  supplied_on date,
  net numeric(14,2) not null,
  total numeric(14,2) not null,
  search text not null,
  version integer not null default 1
);
create index on sales_order (customer_id);
create index on sales_order (status, date desc, id desc);
create index on sales_order (date desc, id desc);
create index on sales_order using gin (search gin_trgm_ops);

create table order_line (
  id integer generated always as identity primary key,
  order_id integer not null references sales_order,
  position integer not null,
  item_code text not null,
  description text not null,
  detail text,
  unit text not null default '',
  quantity numeric(14,3) not null,
  unit_price numeric(14,4) not null,
  discount_percent numeric(6,3) not null default 0,
  tax_code text not null,
  unique (order_id, position) deferrable initially deferred
);

create table routine (
  id integer generated always as identity primary key,
  name text not null unique,
  description text not null default '',
  is_on boolean not null default false,
  applies_since timestamptz,
  trust text not null check (trust in ('by hand', 'after a check', 'by itself')),
  version integer not null default 1,
  sentence jsonb not null,
  changed_at timestamptz not null,
  changed_by text not null
);

create table routine_version (
  routine_id integer not null references routine,
  version integer not null,
  name text not null,
  is_on boolean not null,
  trust text not null,
  sentence jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  primary key (routine_id, version)
);
`
