-- The whole of a house, as it is in this version. The first migration makes it; each later one changes this
-- file as well, and a test holds that both come out the same. Money, quantities and rates are exact numerics;
-- times are timestamptz in UTC; days are dates. Text columns that name a state or kind have their words in core.

create extension if not exists pg_trgm;

-- People: who works here, who is signed in, tokens of other programs

-- Who works here. Passwords are kept as scrypt hashes; there is none until an invitation is taken up. Who has left
-- keeps the row, and the name in the history, and nothing else.
create table staff (
  id integer primary key generated always as identity,
  email text not null unique,
  name text not null,
  role text not null check (role in ('clerk', 'supervisor', 'reader')),
  password_hash text not null default '',
  left_at timestamptz,
  version integer not null default 1,
  -- the sealed secret of a second factor (TOTP, RFC 6238), and the last step that was used
  sealed_second_factor text not null default '',
  second_factor_step bigint,
  -- where one begins after signing in; by the role where it is empty
  start_page text not null default ''
);

-- Codes that stand for a second factor once each, for a lost phone. Only their hash is kept.
create table recovery_code (
  staff_id integer not null references staff on delete cascade,
  hash text not null,
  used_at timestamptz,
  primary key (staff_id, hash)
);

-- Codes that are good once and for a while; only their hash is kept. The first visit has one before anybody works
-- here; an invitation and a new password are somebody's.
create table one_time_code (
  id integer primary key generated always as identity,
  purpose text not null check (purpose in ('first visit', 'invitation', 'new password')),
  staff_id integer references staff on delete cascade,
  hash text not null unique,
  made_at timestamptz not null,
  ends_at timestamptz not null,
  used_at timestamptz,
  check ((purpose = 'first visit') = (staff_id is null))
);
create index one_time_code_staff_id_idx on one_time_code (staff_id);

-- Who is signed in. A row that is gone ends the session at once, also its open stream.
create table session (
  id text primary key,
  staff_id integer not null references staff on delete cascade,
  role text not null,
  made_at timestamptz not null,
  ends_at timestamptz not null,
  -- the browser and system that somebody signed in with
  device text not null default '',
  -- when they last showed who they are: by signing in, or by their password again
  proved_at timestamptz not null
);
create index session_ends_at_idx on session (ends_at);
create index session_staff_id_idx on session (staff_id);

-- Tokens of other programs: only their hash is kept; each acts for the person who made it.
create table api_token (
  id integer primary key generated always as identity,
  name text not null,
  scope text not null check (scope in ('read', 'write')),
  hash text not null unique,
  staff_id integer not null references staff,
  made_at timestamptz not null,
  used_on date,
  revoked_at timestamptz,
  -- the last day on which it opens anything; null for one without an end
  ends_on date
);

-- Answers of calls with an idempotency key: the same call again gets the first answer.
create table api_call (
  caller text not null,
  key text not null,
  call_hash text not null,
  started_at timestamptz not null,
  status integer,
  answer jsonb,
  primary key (caller, key)
);
create index api_call_started on api_call (started_at);

-- Calls counted per minute and wrong passwords; survives a restart, needs no write-ahead log.
create unlogged table rate_limit (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

-- House: the company, its brands, designs, email texts, number series, rates and taxes

-- The one company of this house, with its switches.
create table company (
  id integer primary key check (id = 1),
  name text not null,
  installation_id uuid not null,
  time_zone text not null,
  country text not null,
  currency text not null,
  language text not null,
  order_statuses jsonb not null,
  -- after so many seconds without a bounce an email counts as arrived
  presume_seconds integer not null check (presume_seconds > 0),
  failure_notice_to text not null default '',
  undo_minutes integer not null default 0 check (undo_minutes >= 0 and undo_minutes <= 60),
  paused_at timestamptz,
  paused_by text,
  pause_reason text not null default '',
  rehearsal_since timestamptz,
  rehearsal_by text,
  rehearsal_address text not null default '',
  -- a copied or restored house stays silent until a supervisor confirmed numbers and queue
  confirm_needed boolean not null default false,
  -- no document is dated in a closed period
  closed_until date,
  zero_totals text not null default 'make' check (zero_totals in ('make', 'skip')),
  withdrawn_statuses jsonb not null default '[]',
  withdrawn_rule text not null default 'list' check (withdrawn_rule in ('list', 'settle')),
  -- how a kind’s date is chosen
  document_dates jsonb not null default '{}',
  -- so much less than is open counts as paid in full, once a person agrees
  small_difference numeric not null default 0,
  held_statuses jsonb not null default '[]',
  -- 1 to 12: the month in which the business year begins
  business_year_start integer not null default 1 check (business_year_start between 1 and 12),
  -- what a new customer is given
  terms jsonb not null default '{"kind": "days", "days": 30}',
  -- what the address of links in emails begins with; never taken from a request
  public_address text not null default '',
  -- how documents reach customers that say nothing else, nor their group
  preferences jsonb not null default '{
    "packing slip": {"channel": "paper"},
    "shipping label": {"channel": "paper"},
    "customs invoice": {"channel": "paper"}
  }',
  -- what contacts are for, in the house's own words
  contact_roles jsonb not null default '["buying", "billing", "goods-in"]',
  -- kinds of document that the house does not use
  kinds_off jsonb not null default '[]',
  -- which statuses may follow a status; one that is not named may be followed by any
  status_steps jsonb not null default '{}',
  -- what the program before this one said was open, by currency
  trial_balance jsonb not null default '{}',
  -- how often something of the whole house that stands on documents was changed
  papers_version integer not null default 1,
  -- what a second person has to send
  second_look jsonb not null default '{"above": null, "newAddress": false, "newBank": false, "many": null}',
  link_days integer not null default 30 check (link_days between 1 and 730),
  -- what becomes of an email that is larger than its mail account takes
  too_large text not null default 'stop' check (too_large in ('stop', 'link', 'split')),
  -- what a letter costs that an email saves, in the house's currency
  postage numeric not null default 0 check (postage >= 0),
  -- whether emails say when they are opened
  count_opens boolean not null default false,
  -- how the house reminds; null as supplied
  reminders jsonb,
  -- whom the email of the morning goes to, and when; null for nobody
  morning jsonb,
  -- the last day of which it was sent
  morning_sent date,
  -- one statement for all brands of one company
  statements_together boolean not null default false,
  -- the part of the country whose public holidays are kept; empty for those of the whole country
  holiday_region text not null default '',
  -- the boxes that it packs into
  boxes jsonb not null default '[]',
  -- which service goods go by, what labels are printed on, and the company prefix that GS1 gave
  service_rules jsonb not null default '[]',
  label_printing jsonb not null default '{"format": "100x150", "from": 1}',
  gs1_prefix text not null default '',
  -- what packing slips say of the buyer besides the goods, and whether they say prices
  slip_shows jsonb not null
    default '{"details": ["reference", "customer", "service", "billed to"], "prices": false}',
  -- what customers read of a status, by language
  status_words jsonb not null default '{}',
  -- colleagues who read once a day what went, of which kinds and when; null for nobody
  digest jsonb,
  -- until when they were told
  digest_until timestamptz,
  -- customers who want it get documents that book nothing as a text that can be edited
  editable_files boolean not null default false
);

-- Where email is handed over. A brand names its own, or the first one is taken. The password is sealed with a key
-- that lies outside the database.
create table mail_account (
  id integer primary key generated always as identity,
  name text not null unique,
  host text not null,
  port integer not null check (port between 1 and 65535),
  security text not null check (security in ('starttls', 'tls', 'none')),
  user_name text not null default '',
  sealed_password text not null default '',
  version integer not null default 1,
  -- most emails in a minute, an hour and a day
  per_minute integer check (per_minute > 0),
  per_hour integer check (per_hour > 0),
  per_day integer check (per_day > 0),
  -- until when the certificate of its server holds, as seen at the last connection
  certificate_until timestamptz,
  -- the largest email that its server takes
  most_megabytes integer not null default 20 check (most_megabytes > 0)
);

-- How many emails of a mail account were given a minute to go in, so that its limits are kept.
create table mail_slot (
  mail_account_id integer not null references mail_account on delete cascade,
  minute timestamptz not null,
  emails integer not null check (emails > 0),
  primary key (mail_account_id, minute)
);

-- Tax codes with their words; their rates over time are beside.
create table tax_code (
  code text primary key,
  position integer not null generated always as identity,
  category text not null check (category in ('S', 'Z', 'E', 'O')),
  names jsonb not null,
  reasons jsonb not null default '{}',
  version integer not null default 1
);

-- The rate of a tax code from a day on.
create table tax_rate (
  code text not null references tax_code,
  from_day date not null,
  percent numeric not null check (percent >= 0 and percent < 100),
  primary key (code, from_day)
);

-- How much of a currency one unit of the company’s own is, from a day on.
create table exchange_rate (
  currency text not null,
  day date not null,
  rate numeric not null check (rate > 0),
  source text not null,
  primary key (currency, day)
);

-- What is sold, with names by language.
create table item (
  id integer primary key generated always as identity,
  code text not null unique,
  names jsonb not null,
  unit text not null default '',
  price numeric(14,4) not null,
  tax_code text not null,
  version integer not null default 1,
  gtin text not null default '',
  -- in kilograms
  weight numeric,
  size text not null default '',
  commodity_code text not null default '',
  -- two letters of its country
  origin text not null default '',
  -- where it lies
  place text not null default '',
  category text not null default '',
  -- by language, where the unit has another word there
  units jsonb not null default '{}',
  -- fields of the house's own
  fields jsonb not null default '{}',
  -- what a buyer chooses of it: names with their values
  options jsonb not null default '[]',
  -- PNG or JPEG
  picture text
);
create index item_gtin on item (gtin) where gtin <> '';

-- Other prices of an item: in a currency, for a group of customers or for all ('').
create table item_price (
  id integer primary key generated always as identity,
  item_id integer not null references item on delete cascade,
  currency text not null,
  group_name text not null default '',
  price numeric(14,4) not null,
  unique (item_id, currency, group_name)
);

-- Fields of the house's own that orders, lines, items and customers have.
create table own_field (
  id integer primary key generated always as identity,
  of text not null check (of in ('order', 'line', 'item', 'customer')),
  name text not null,
  kind text not null check (kind in ('text', 'number', 'date', 'choice', 'yes/no')),
  choices jsonb not null default '[]',
  -- how documents call it, by language; its name where there is none
  labels jsonb not null default '{}',
  printed boolean not null default false,
  position integer not null,
  version integer not null default 1,
  unique (of, name)
);

-- A name under which the company sells, with the look of its emails.
create table brand (
  id integer primary key generated always as identity,
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
  sender_name text not null,
  sender_address text not null,
  reply_to text not null,
  version integer not null default 1,
  banks jsonb not null default '[]',
  email_look jsonb not null default '{"colour": "brand", "closing": "", "heading": "line", "letters": "sans"}',
  prices_include_tax boolean not null default false,
  payment_methods jsonb not null default '[]',
  -- what invoices say instead of a tax number, by language
  without_tax_number jsonb not null default '{}',
  mail_account_id integer references mail_account,
  -- it is not used for new orders and documents any more
  retired_at timestamptz,
  -- who changed the bank accounts, until another one confirms them
  banks_changed jsonb,
  -- where emails go while their text is being tried, by kind of document
  text_rehearsals jsonb not null default '{}'
);

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

-- The brands that a person is limited to; who has none here sees them all.
create table staff_brand (
  staff_id integer not null references staff on delete cascade,
  brand_id integer not null references brand,
  primary key (staff_id, brand_id)
);

-- Email texts and designs of their own for some customers, like schools or the trade. A customer, a group or the house
-- says which (preferences, by kind: text, design); where a variant has none of its own, the brand's is taken.
create table variant (
  id integer primary key generated always as identity,
  name text not null unique,
  -- nobody gets it any more
  retired boolean not null default false,
  version integer not null default 1
);

-- The design of a kind of document: a new version with every change, none is ever changed.
create table design (
  id integer primary key generated always as identity,
  brand_id integer not null references brand,
  kind text not null,
  version integer not null,
  design jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  -- null: the brand's own
  variant_id integer references variant,
  -- from this version on the variant has none of its own
  given_up boolean not null default false,
  constraint design_of unique nulls not distinct (brand_id, kind, variant_id, version)
);

-- Texts of the house that stand on documents: terms, a footer, a remark for one kind.
create table standing_text (
  id integer primary key generated always as identity,
  name text not null unique,
  -- kinds of document it stands on; all of them where there is none
  kinds jsonb not null default '[]',
  -- null: on those of all brands
  brand_id integer references brand,
  -- business: those with a VAT number
  customers text not null default 'all' check (customers in ('all', 'business', 'private')),
  place text not null check (place in ('before the foot', 'foot', 'own page')),
  -- by language
  texts jsonb not null,
  from_day date,
  until_day date,
  version integer not null default 1
);

-- The email text of a kind in a language: a new version with every change, none is ever changed.
create table email_text (
  id integer primary key generated always as identity,
  brand_id integer not null references brand,
  kind text not null,
  language text not null,
  version integer not null,
  -- a closed set of nodes (core/emailtexts/nodes.ts)
  subject jsonb not null,
  text jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  -- core/emailtexts/purposes.ts
  purpose text not null default 'first',
  -- null: the brand's own
  variant_id integer references variant,
  -- from this version on the variant has none of its own
  given_up boolean not null default false,
  constraint email_text_of unique nulls not distinct (brand_id, kind, purpose, language, variant_id, version)
);

-- How documents of a kind are numbered; closer ones for a country or a currency.
create table number_series (
  id integer primary key generated always as identity,
  kind text not null,
  brand_id integer not null references brand,
  prefix text not null,
  suffix text not null,
  -- digits of the counter, padded with zeros
  length integer not null,
  start integer not null,
  restart text not null,
  business_year_start integer not null default 1,
  country text not null default '',
  currency text not null default '',
  -- whether it counts itself or takes the order’s number
  source text not null default 'own' check (source in ('own', 'order')),
  version integer not null default 1,
  -- closer ones for a branch as well
  branch_id integer references branch,
  constraint number_series_of unique nulls not distinct (kind, brand_id, country, currency, branch_id)
);

-- The last number drawn of a series in a period. Its row is locked last in every issuing.
create table series_counter (
  series_id integer not null references number_series,
  period text not null,
  last integer not null,
  primary key (series_id, period)
);

-- Numbers that a supervisor left out on purpose, with the reason: they are no gap.
create table number_skip (
  id integer primary key generated always as identity,
  series_id integer not null references number_series,
  period text not null,
  first integer not null,
  last integer not null,
  reason text not null,
  at timestamptz not null,
  by text not null,
  constraint number_skip_check check (last >= first)
);
create index number_skip_series_id_period_idx on number_skip (series_id, period);

-- When periods were closed and opened again, by whom and why.
create table period_close (
  id integer primary key generated always as identity,
  closed_until date,
  was_until date,
  at timestamptz not null,
  by text not null,
  reason text not null default ''
);

-- Customers

-- What customers have in common: what a new one is given, and how documents reach those that say nothing else.
create table customer_group (
  id integer primary key generated always as identity,
  name text not null unique,
  language text,
  currency text,
  terms jsonb,
  tax_treatment text
    check (tax_treatment in ('domestic', 'reverse charge', 'intra-Community supply', 'export', 'exempt')),
  prices_include_tax boolean,
  preferences jsonb not null default '{}' check (jsonb_typeof(preferences) = 'object'),
  version integer not null default 1
);

-- Who buys. How documents reach a customer is written in preferences.
create table customer (
  id integer primary key generated always as identity,
  number text not null unique,
  name text not null,
  group_name text not null,
  language text not null,
  currency text not null,
  country text not null,
  terms jsonb not null,
  tax_number text,
  salesperson text not null default '',
  -- the postal address; none yet where it is null
  billing jsonb,
  preferences jsonb not null default '{}' constraint preferences_are_sentences
    check (jsonb_typeof(preferences) = 'object'),
  version integer not null default 1,
  tax_treatment text not null default 'domestic'
    check (tax_treatment in ('domestic', 'reverse charge', 'intra-Community supply', 'export', 'exempt')),
  -- null: as the brand does
  prices_include_tax boolean,
  -- the recipients that are kept at the postal address
  billing_mail jsonb not null default '{}',
  -- fields of the house's own
  fields jsonb not null default '{}',
  -- what an order has to say before it is invoiced
  needs jsonb not null default '{"reference": false, "fields": []}',
  -- what links ask this customer for before they give anything; empty: nothing
  link_code text not null default ''
);
create index customer_name on customer (name, id);

-- Keeps a row for every group that a customer is in.
create function keep_group() returns trigger language plpgsql as $fn$
begin
  if new.group_name <> '' then
    insert into customer_group (name) values (new.group_name) on conflict (name) do nothing;
  end if;
  return new;
end
$fn$;
create trigger group_of_customer before insert or update of group_name on customer
  for each row execute function keep_group();

-- Further addresses of a customer: others to bill, and where goods go.
create table customer_address (
  id integer primary key generated always as identity,
  customer_id integer not null references customer,
  purpose text not null check (purpose in ('billing', 'delivery')),
  label text not null,
  address jsonb not null,
  mail jsonb not null default '{}',
  position integer not null
);
create index customer_address_customer_id_idx on customer_address (customer_id);

-- What a customer calls an item.
create table item_customer_code (
  id integer primary key generated always as identity,
  item_id integer not null references item on delete cascade,
  customer_id integer not null references customer,
  code text not null,
  unique (item_id, customer_id)
);
create index item_customer_code_customer_id_idx on item_customer_code (customer_id, code);

-- The people of a customer, by what they are for.
create table contact (
  id integer primary key generated always as identity,
  customer_id integer not null references customer,
  name text not null,
  email text not null,
  role text not null
);
create index contact_customer_id_idx on contact (customer_id);

-- Who can be written to at a customer.
create function contacts_of(customer integer) returns jsonb language sql stable as $fn$
  select coalesce(jsonb_agg(jsonb_build_object('name', name, 'email', email, 'role', role) order by id), '[]')
  from contact
  where customer_id = customer
$fn$;

-- Sources: what documents are made of

-- One row for each thing that documents are made of: an order, a draft, a payment. The table of its kind has the
-- same id, and writes and keeps this row by the trigger below it.
create table source (
  id integer primary key generated always as identity,
  kind text not null check (kind in ('order', 'draft', 'payment', 'account', 'shipment', 'return')),
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  -- what a person calls it: its number, or its kind and id
  label text not null,
  -- the source that it is a part of: the order of a draft
  part_of integer references source,
  -- what its documents hang on: the whole that it is a part of, or itself
  root_id integer not null generated always as (coalesce(part_of, id)) stored
);
create index source_root_id_idx on source (root_id);
-- what a scanner reads
create index source_called on source (lower(label)) where kind in ('order', 'shipment');

-- Keeps the row of a source: its kind, the column that names it ('' for none) and the one it is a part of.
create function keep_source() returns trigger language plpgsql as $fn$
declare
  facts jsonb := to_jsonb(new);
  called text := coalesce(facts ->> tg_argv[1], '');
  whole integer := (facts ->> tg_argv[2])::integer;
begin
  if tg_op = 'INSERT' then
    insert into source (kind, customer_id, brand_id, label, part_of)
    values (tg_argv[0], new.customer_id, new.brand_id, called, whole)
    returning id into new.id;
  end if;
  called := coalesce(nullif(called, ''), initcap(tg_argv[0]) || ' ' || new.id);
  update source
  set customer_id = new.customer_id, brand_id = new.brand_id, label = called, part_of = whole
  where id = new.id
    and (customer_id, brand_id, label, part_of) is distinct from (new.customer_id, new.brand_id, called, whole);
  return new;
end $fn$;

-- Orders

-- An order as it is now. Version counts every change, revision those that a document shows.
create table sales_order (
  id integer primary key references source,
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
  prepaid numeric not null default 0,
  adjustments jsonb not null default '[]',
  -- the date of supply; from the status where nobody wrote one
  supplied_on date,
  net numeric not null,
  total numeric not null,
  -- lower-case text that the search looks through
  search text not null,
  version integer not null default 1,
  revision integer not null default 1,
  fields jsonb not null default '{}',
  -- another of the customer's addresses, where it is not billed to its own
  bill_to_id integer references customer_address,
  -- where the goods go, as it was agreed; null for the address that is billed
  delivery jsonb,
  -- for people here only; never on a document
  internal_note text not null default '',
  -- the place it is sold from; null for the brand's own address
  branch_id integer references branch
);
create index sales_order_bill_to_id_idx on sales_order (bill_to_id) where bill_to_id is not null;
create index sales_order_customer_id_idx on sales_order (customer_id);
create index sales_order_date_id_idx on sales_order (date desc, id desc);
create index sales_order_search_idx on sales_order using gin (search gin_trgm_ops);
create index sales_order_status_date_id_idx on sales_order (status, date desc, id desc);

create trigger source_of_order before insert or update of number, customer_id, brand_id on sales_order
  for each row execute function keep_source('order', 'number', '');

-- The address that a source's documents are billed to, where it is not the customer's own.
create function billed_to(source_id integer) returns customer_address language sql stable as $fn$
  select a
  from source s
  join sales_order o on o.id = s.root_id
  join customer_address a on a.id = o.bill_to_id
  where s.id = source_id
$fn$;

-- What is wished at several levels, united.
create function united(lists jsonb[]) returns jsonb language sql immutable as $fn$
  select jsonb_agg(distinct one)
  from unnest(lists) list, jsonb_array_elements(list) one
  where jsonb_typeof(list) = 'array'
$fn$;

-- How kinds of document reach a customer: the house's wish, over it the group's, the billing address's recipients
-- and the customer's own, part by part; copies are united. With a source, by the address that it is billed to.
create function preferences_for(c customer, source_id integer, kinds text[])
returns jsonb language sql stable as $fn$
  with given as (
    select (select preferences from company) house,
      (select preferences from customer_group where name = c.group_name) ours,
      coalesce((billed_to(source_id)).mail, c.billing_mail) mail
  ), levels as (
    select k kind, coalesce(house -> k, '{}') house, coalesce(ours -> k, '{}') ours,
      coalesce(c.preferences -> k, '{}') own,
      -- the address that is billed says nothing of where goods come in
      case
        when k not in ('packing slip', 'delivery note', 'shipping label', 'customs invoice', 'return note') then mail
      end mail
    from given, unnest(kinds) k
  ), merged as (
    select kind,
      (house || ours
        || case when mail -> 'to' <> '[]' then jsonb_build_object('addresses', mail -> 'to') else '{}' end
        - case when own ? 'to' then 'addresses' else '' end
      ) || own || jsonb_strip_nulls(jsonb_build_object(
        'cc', united(array[house -> 'cc', ours -> 'cc', mail -> 'cc', own -> 'cc']),
        'bcc', united(array[house -> 'bcc', ours -> 'bcc', mail -> 'bcc', own -> 'bcc'])
      )) wish
    from levels
  )
  select coalesce(jsonb_object_agg(kind, wish), '{}') from merged where wish <> '{}'
$fn$;

-- How the files of one email travel: as was said for this one, or as its kind does to this customer.
create function attach_for(c customer, kind text, own_email jsonb) returns text language sql stable as $fn$
  select coalesce(
    nullif(own_email ->> 'attach', ''),
    c.preferences -> kind ->> 'attach',
    (select g.preferences -> kind ->> 'attach' from customer_group g where g.name = c.group_name),
    (select h.preferences -> kind ->> 'attach' from company h),
    'attached'
  )
$fn$;

-- The lines of an order, in their order.
create table order_line (
  id integer primary key generated always as identity,
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
  -- fields of the house's own
  fields jsonb not null default '{}',
  -- what was cancelled of it; its quantity is what is ordered now, without that
  cancelled numeric(14,3) not null default 0,
  unique (order_id, position) deferrable initially deferred
);

-- Goods of an order that go out together.
create table shipment (
  id integer primary key references source,
  order_id integer not null references sales_order,
  brand_id integer not null references brand,
  customer_id integer not null references customer,
  -- from 1 within its order
  number integer not null check (number > 0),
  -- the order's number with it
  label text not null,
  state text not null default 'packed' check (state in ('packed', 'taken back')),
  day date not null,
  delivery jsonb not null,
  service text not null default '',
  remarks text not null default '',
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null,
  unique (order_id, number)
);
create index shipment_newest on shipment (day desc, id desc);
create index shipment_customer_id_idx on shipment (customer_id);
create trigger source_of_shipment before insert or update of label, customer_id, brand_id on shipment
  for each row execute function keep_source('shipment', 'label', 'order_id');

-- How much of a line of the order goes with a shipment, by the line's position.
create table shipment_line (
  shipment_id integer not null references shipment,
  position integer not null,
  quantity numeric(14,3) not null check (quantity > 0),
  primary key (shipment_id, position)
);

-- What is packed together: of goods that go out, or come back.
create table parcel (
  id integer primary key generated always as identity,
  source_id integer not null references source,
  -- from 1 within what it is of
  number integer not null check (number > 0),
  box text not null default '',
  -- packed, in kilograms; null where nobody weighed it
  weight numeric check (weight > 0),
  -- positions with quantities
  contents jsonb not null,
  unique (source_id, number)
);

-- Goods of an order that come back: agreed on, then taken in.
create table goods_return (
  id integer primary key references source,
  order_id integer not null references sales_order,
  brand_id integer not null references brand,
  customer_id integer not null references customer,
  -- from 1 within its order
  number integer not null check (number > 0),
  -- the order's number with it
  label text not null,
  state text not null default 'expected' check (state in ('expected', 'back', 'withdrawn')),
  day date not null,
  -- the last day: labels that are not used by then are given back
  until date not null,
  -- who sends it, and where it comes to
  sender jsonb not null,
  delivery jsonb not null,
  service text not null default '',
  remarks text not null default '',
  -- how its note goes on once its labels are there; null where a person prepares it
  goes_on jsonb,
  back_on date,
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null,
  unique (order_id, number)
);
create index goods_return_newest on goods_return (day desc, id desc);
create index goods_return_customer_id_idx on goods_return (customer_id);
create trigger source_of_return before insert or update of label, customer_id, brand_id on goods_return
  for each row execute function keep_source('return', 'label', 'order_id');

-- How much of a line of the order comes back and why, by the line's position.
create table return_line (
  return_id integer not null references goods_return,
  position integer not null,
  quantity numeric(14,3) not null check (quantity > 0),
  reason text not null default '',
  -- what came of it; null until it did
  came_back numeric(14,3) check (came_back >= 0),
  primary key (return_id, position)
);

-- Credit notes that were drafted for what came back.
create table return_credit (
  draft_id integer primary key,
  return_id integer not null references goods_return,
  -- positions with quantities
  contents jsonb not null
);
create index return_credit_return_id_idx on return_credit (return_id);

-- Carriers that labels are bought of.
create table carrier (
  id integer primary key generated always as identity,
  name text not null unique,
  -- how it wants to be asked
  kind text not null check (kind in ('simulated', 'http')),
  address text not null,
  sealed_key text not null default '',
  -- its address may lie inside the house's network
  inside boolean not null default false,
  -- what is asked and where its answer says what; of kind http
  mapping jsonb,
  -- as it said last, or as they were written down
  services jsonb not null default '[]',
  services_at timestamptz,
  -- since when it does not answer; null while it does
  down_since timestamptz,
  -- a person was told so
  down_noticed boolean not null default false,
  version integer not null default 1,
  -- when it is asked again what it carries and for how much
  ask_services_at timestamptz not null default now()
);

-- A label as it is bought of a carrier: at most one that stands for each parcel.
create table label (
  id integer primary key generated always as identity,
  source_id integer not null references source,
  -- null once the parcel is packed otherwise
  parcel_id integer references parcel on delete set null,
  -- which parcel of how many it was
  parcel integer not null,
  parcels integer not null,
  carrier_id integer not null references carrier,
  service text not null,
  service_name text not null,
  -- where the service was said
  service_source jsonb not null,
  -- what the carrier finds it by; written down before it is asked
  key uuid not null unique,
  state text not null default 'asked' check (
    state in ('asked', 'booking', 'unclear', 'made', 'cancelling', 'cancelled', 'refused', 'closed')
  ),
  -- what the carrier is asked: address, weight, size
  asked jsonb not null,
  -- how its document goes on: the routine's way, or a person's
  goes_on jsonb not null,
  asked_at timestamptz not null,
  asked_by text not null,
  claim uuid,
  claimed_until timestamptz,
  tries integer not null default 0,
  next_try_at timestamptz not null,
  failure text,
  -- what the carrier said to it
  reply text not null default '',
  price numeric,
  currency text,
  tracking text not null default '',
  tracking_url text not null default '',
  barcode text not null default '',
  sscc text not null default '',
  -- the carrier's own label
  file text,
  made_at timestamptz,
  way text,
  way_at timestamptz,
  -- when the carrier is asked next how far it is; null once it is there
  ask_way_at timestamptz,
  -- a person was told that it could not be bought
  noticed boolean not null default false,
  -- the document that it is printed on
  document_id integer
);
create unique index label_stands on label (parcel_id)
  where state in ('asked', 'booking', 'unclear', 'made', 'cancelling');
create index label_source_id_idx on label (source_id);
-- looked through every few seconds for those that ended
create index label_return_unused on label (source_id)
  where state = 'made' and way = 'announced' and asked ->> 'isReturn' = 'true';
create index label_due on label (next_try_at) where state in ('asked', 'booking', 'unclear', 'cancelling');
create index label_refused on label (asked_at) where state in ('refused', 'unclear');
create index label_tracking on label (tracking) where tracking <> '';
create index label_ask_way on label (ask_way_at) where ask_way_at is not null;
create index label_made_at on label (made_at) where made_at is not null;

-- What a carrier is asked to carry. `stands`: labels may be bought for it; `country`: the customer's end of the way.
create view consignment as
select id, label, state = 'packed' stands, order_id, brand_id, customer_id, service, delivery, null::jsonb sender,
  delivery ->> 'country' country, null::date until, null::jsonb goes_on, false is_return
from shipment
union all
select id, label, state = 'expected', order_id, brand_id, customer_id, service, delivery, sender,
  sender ->> 'country', until, goes_on, true
from goods_return;

-- Sources whose order has a status that says that nothing of it may leave for now.
create view stopped_source as
select s.id source_id, o.status, case when c.withdrawn_statuses ? o.status then 'withdrawn' else 'held' end how
from source s
join sales_order o on o.id = s.root_id
cross join company c
where c.withdrawn_statuses ? o.status or c.held_statuses ? o.status;

-- Routines: what happened, what was to be made of it and why

-- A sentence that makes documents when something happens.
create table routine (
  id integer primary key generated always as identity,
  name text not null unique,
  description text not null default '',
  is_on boolean not null default false,
  applies_since timestamptz,
  trust text not null check (trust in ('by hand', 'after a check', 'automatic')),
  version integer not null default 1,
  sentence jsonb not null,
  changed_at timestamptz not null,
  changed_by text not null,
  -- of a routine of the clock that is on: when it is due
  next_turn timestamptz
);

-- A routine as it was after each change.
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

-- A turn that a routine of the clock has had.
create table routine_turn (
  routine_id integer not null references routine,
  -- when it was due
  at timestamptz not null,
  taken_at timestamptz not null,
  -- how many turns before it were missed and passed over
  passed integer not null,
  primary key (routine_id, at)
);

-- What happened to an order, a document or a payment, with the facts that routines test, as they were.
create table event (
  id integer primary key generated always as identity,
  kind text not null,
  source_id integer references source,
  facts jsonb not null,
  schema_version integer not null,
  at timestamptz not null,
  actor text not null,
  -- null until routines looked at it
  looked_at timestamptz,
  -- caught up for this routine alone
  only_routine integer references routine,
  document_id integer
);
create index event_of_status on event (at) where kind = 'order status';
create index event_source_id_idx on event (source_id);
create index event_of_one_routine on event (only_routine, at) where only_routine is not null;
create index event_unseen on event (id) where looked_at is null;

-- What a routine made of an event, and each condition with the value seen.
create table evaluation (
  id integer primary key generated always as identity,
  event_id integer not null references event,
  source_id integer references source,
  routine_id integer not null references routine,
  routine_version integer not null,
  outcome text not null,
  reason jsonb,
  seen jsonb not null,
  at timestamptz not null,
  unique (event_id, routine_id)
);
create index evaluation_source_id_idx on evaluation (source_id);

-- Who emails of a kind, or those that a routine makes, come from, where that is not their brand itself.
create table sender (
  id integer primary key generated always as identity,
  brand_id integer not null references brand,
  kind text,
  routine_id integer references routine,
  -- '' for the brand's
  name text not null default '',
  -- the person who works is named before it
  names_person boolean not null default false,
  address text not null default '',
  answers_to text not null check (answers_to in ('brand', 'address', 'salesperson', 'person')),
  reply_to text not null default '',
  mail_account_id integer references mail_account on delete set null,
  version integer not null default 1,
  check (num_nonnulls(kind, routine_id) = 1),
  unique (brand_id, kind),
  unique (brand_id, routine_id)
);
create index sender_routine_id_idx on sender (routine_id);

-- Who works here under a name; nobody where several do.
create function staff_called(wanted text) returns table (person text, email text) language sql stable as $fn$
  select min(name), min(staff.email)
  from staff
  where name = wanted and left_at is null
  having count(*) = 1
$fn$;

-- Who an email comes from and where its answers go: as was said for this one, or else a routine's sender before the
-- kind's before the brand itself.
-- The worker is who had it sent; the source names the salesperson; 0 for the brand itself.
create function sender_for(
  b brand, of_kind text, of_routine integer, worker text, of_source integer, own_email jsonb
)
returns table (name text, address text, reply_to text, mail_account_id integer) language sql stable as $fn$
  select concat_ws(', ', case when s.names_person then p.person end, coalesce(nullif(s.name, ''), b.sender_name)),
    coalesce(nullif(s.address, ''), b.sender_address),
    coalesce(
      nullif(own_email ->> 'replyTo', ''),
      case s.answers_to
        when 'address' then s.reply_to
        when 'salesperson' then (
          select v.email
          from source
          join customer c on c.id = source.customer_id
          left join sales_order o on o.id = source.root_id
          cross join lateral staff_called(coalesce(nullif(o.salesperson, ''), c.salesperson)) v
          where source.id = of_source
        )
        when 'person' then p.email
      end,
      b.reply_to
    ),
    coalesce(s.mail_account_id, b.mail_account_id, (select min(id) from mail_account))
  from (values (1)) always (one)
  left join lateral (
    select *
    from sender
    where sender.brand_id = b.id
      and case
        when own_email ->> 'senderId' is null then sender.kind = of_kind or sender.routine_id = of_routine
        else sender.id = (own_email ->> 'senderId')::integer
      end
    order by sender.routine_id nulls last
    limit 1
  ) s
    on true
  left join staff_called(worker) p on s.names_person or s.answers_to = 'person'
$fn$;

-- Documents: prepared, issued for good, and rehearsed

-- Bytes by their SHA-256, each once. Lists never select them.
create table file (
  sha256 text primary key,
  media_type text not null,
  size integer not null,
  bytes bytea not null,
  kept_at timestamptz not null
);
alter table item add foreign key (picture) references file;
-- PDFs and pictures are compressed already
alter table file alter column bytes set storage external;

-- A draft that a person writes: an invoice without an order or for a part of one, or a credit.
create table draft (
  id integer primary key references source,
  kind text not null check (kind in ('invoice', 'credit note')),
  brand_id integer not null references brand,
  customer_id integer not null references customer,
  order_id integer references sales_order,
  credits_id integer,
  replaces_id integer,
  facts jsonb not null,
  state text not null default 'open' check (state in ('open', 'issued', 'dropped')),
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null
);
create index draft_credits_id_idx on draft (credits_id) where credits_id is not null;
create index draft_order_id_idx on draft (order_id) where order_id is not null;
create trigger source_of_draft before insert or update of order_id, customer_id, brand_id on draft
  for each row execute function keep_source('draft', '', 'order_id');

-- A document that is due or prepared and not issued yet.
create table prepared_document (
  id integer primary key generated always as identity,
  source_id integer not null references source,
  kind text not null,
  -- what lets a source have another of the same kind: its revision
  occasion text not null,
  state text not null check (state in ('due', 'prepared', 'put back', 'issued', 'dropped')),
  automatic boolean not null default false,
  routine_id integer references routine,
  routine_version integer,
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  order_number text not null,
  order_date date not null,
  customer_name text not null,
  total numeric not null,
  currency text not null,
  channel text not null,
  send_to text not null,
  to_role text not null,
  delay_minutes integer not null default 0,
  -- the facts it is made from, frozen
  source jsonb not null,
  -- the printed document; null where there is a problem
  content jsonb,
  -- what the person saw who looked at it last
  baseline jsonb not null,
  design_id integer not null references design,
  email_text_id integer not null references email_text,
  -- versions of everything that it was made from
  built_from jsonb not null,
  revision integer not null default 1,
  problem jsonb,
  changes jsonb,
  -- something it was made from changed; it is built anew
  stale boolean not null default false,
  since timestamptz not null,
  actor text not null default '',
  copy_to jsonb not null default '[]',
  hours jsonb,
  -- the invoice that it credits, the document that it takes the place of
  credits_id integer,
  replaces_id integer,
  wanted_date date,
  earlier_date_ok boolean not null default false,
  event_day date,
  kept_back boolean not null default false,
  kept_back_noticed boolean not null default true,
  -- recipients for this time only
  to_addresses jsonb,
  -- how often it was marked stale: who builds it anew clears only the marks that they saw
  stale_mark integer not null default 0,
  -- what a person wrote for this one email: subject, text with its fields, further copies
  own_email jsonb,
  -- held until its order has what its customer needs: what follows then; null where nothing is missing
  once_complete text check (once_complete in ('check', 'go')),
  -- why a second person has to send it; null where one is enough
  second_look jsonb,
  -- who asked for a second person, and for which state of the document
  asked jsonb,
  -- what it is made with this once, in place of what its customer has (core/preferences/variants.ts)
  as_once jsonb
);
create index prepared_brand on prepared_document (brand_id) where state = 'prepared';
create index prepared_by_source on prepared_document (source_id);
create index prepared_customer on prepared_document (customer_id) where state = 'prepared';
create index prepared_kept_back on prepared_document (id) where state = 'prepared' and kept_back;
create unique index prepared_open on prepared_document (source_id, kind, occasion)
  where state in ('due', 'prepared', 'put back');
create index prepared_stale on prepared_document (id) where stale;
create index prepared_to_check on prepared_document (since, id) where state = 'prepared' and not automatic;
create index prepared_to_issue on prepared_document (id) where state = 'prepared' and automatic;
create index prepared_to_send on prepared_document (since, id) where state in ('due', 'put back');

-- Where a document goes as a rehearsal, since its routine, its text or the whole house is tried; '' for real.
create function rehearsal_for(p prepared_document) returns text language sql stable as $fn$
  select coalesce(
    nullif((select r.sentence ->> 'rehearseTo' from routine r where r.id = p.routine_id), ''),
    nullif((select b.text_rehearsals ->> p.kind from brand b where b.id = p.brand_id), ''),
    (select h.rehearsal_address from company h where h.rehearsal_since is not null),
    ''
  )
$fn$;

-- Files that go along with documents. What a condition leaves open holds for all.
create table enclosure (
  id integer primary key generated always as identity,
  -- what the receiver sees, with its ending
  name text not null,
  sha256 text not null references file,
  -- kinds of document; all of them where there is none
  kinds jsonb not null default '[]',
  brand_id integer references brand,
  group_id integer references customer_group,
  customer_id integer references customer,
  source_id integer references source,
  -- added for one sending of this document
  prepared_id integer references prepared_document,
  language text,
  -- by the day on which it leaves
  from_day date,
  until_day date,
  -- false: kept, and it never leaves
  goes boolean not null default true,
  added_by text not null,
  added_at timestamptz not null,
  version integer not null default 1,
  -- goes along with what bills this item
  item_id integer references item,
  -- so often each receiver may have it; then it goes as a link only
  most_downloads integer check (most_downloads > 0),
  -- so many days its link is good; the house's own number where there is none
  good_days integer check (good_days > 0),
  check (num_nonnulls(customer_id, source_id, prepared_id, item_id) <= 1)
);
create index enclosure_of_item on enclosure (item_id) where item_id is not null;
create index enclosure_of_customer on enclosure (customer_id) where customer_id is not null;
create index enclosure_of_source on enclosure (source_id) where source_id is not null;
create index enclosure_of_prepared on enclosure (prepared_id) where prepared_id is not null;

-- An issued document, for good. Its sums and its printed facts never change.
create table document (
  id integer primary key generated always as identity,
  kind text not null,
  number text not null,
  -- none where it was taken over from the program before: its number is of no series of the house
  series_id integer references number_series,
  period text not null,
  counter integer,
  date date not null,
  due_date date,
  source_id integer not null references source,
  order_number text not null,
  customer_id integer not null references customer,
  customer_name text not null,
  brand_id integer not null references brand,
  language text not null,
  currency text not null,
  net numeric not null,
  tax numeric not null,
  total numeric not null,
  -- what the document asks for
  to_pay numeric not null,
  -- what is printed, frozen
  paper jsonb not null,
  design_id integer not null references design,
  email_text_id integer not null references email_text,
  prepared_id integer not null references prepared_document,
  issued_at timestamptz not null,
  issued_by text not null,
  search text not null,
  credits_id integer references document,
  replaces_id integer references document,
  -- the newer date before it in its series, where that was allowed
  earlier_than date,
  unique (kind, number),
  unique (series_id, period, counter),
  constraint document_numbered check (num_nulls(series_id, counter) in (0, 2))
);
create index document_bare_number on document (upper(regexp_replace(number, '[^A-Za-z0-9]', '', 'g')));
create index document_credits_id_idx on document (credits_id) where credits_id is not null;
create index document_customer_id_idx on document (customer_id);
create index document_earlier on document (series_id, period, counter) where earlier_than is not null;
create index document_issued_at_id_idx on document (issued_at desc, id desc);
create index document_of_series on document (series_id, period, date);
create index document_replaces_id_idx on document (replaces_id) where replaces_id is not null;
create index document_search_idx on document using gin (search gin_trgm_ops);
create index document_source_id_idx on document (source_id);
create index document_sums on document (currency, kind, date) include (total, brand_id);
create index document_taken_over on document (currency, kind) where series_id is null;
create index document_total_idx on document (total);

-- What keeps a document from being made twice: one row for each source, kind and occasion.
create table claim (
  source_id integer not null references source,
  document_kind text not null,
  occasion text not null,
  prepared_id integer not null references prepared_document,
  document_id integer,
  taken_at timestamptz not null,
  primary key (source_id, document_kind, occasion)
);

-- The PDF of a document: its bytes are the original.
create table document_file (
  document_id integer primary key references document,
  sha256 text not null references file,
  file_name text not null,
  renderer text not null,
  pages integer not null,
  made_at timestamptz not null
);

-- Documents that were voided. Their numbers stay.
create table document_void (
  document_id integer primary key references document,
  at timestamptz not null,
  by text not null,
  reason text not null
);

-- Documents that are issued and still have no PDF.
create table unpainted (
  document_id integer primary key references document
);

-- Documents that are issued and were never put on their way.
create table undelivered (
  document_id integer primary key references document,
  since timestamptz not null,
  routine_id integer references routine
);

-- A Send: many documents issued and put on their way at once.
create table send_run (
  id integer primary key generated always as identity,
  -- the idempotency key of the request
  key text not null unique,
  started_by text not null,
  started_by_id integer not null references staff,
  started_at timestamptz not null,
  ended_at timestamptz,
  -- looked at between batches
  stop_asked boolean not null default false,
  -- until then it can be taken back whole
  goes_at timestamptz not null,
  taken_back_by text,
  stopped_by text,
  post_only boolean not null default false,
  paid_by text,
  despite boolean not null default false,
  without_address boolean not null default false
);
create index send_run_newest on send_run (started_at desc, id desc);
create index send_run_open on send_run (id) where ended_at is null;

-- What became of each document of a Send.
create table send_run_document (
  run_id integer not null references send_run,
  prepared_id integer not null references prepared_document,
  revision integer not null,
  outcome text,
  reason jsonb,
  document_id integer references document,
  primary key (run_id, prepared_id)
);
create index send_run_document_open on send_run_document (run_id) where outcome is null;

create sequence rehearsal_number;
-- What a rehearsal made: numbered on its own, mailed to the rehearsal address only.
create table rehearsal (
  id integer primary key generated always as identity,
  number text not null unique,
  prepared_id integer references prepared_document,
  content jsonb not null,
  design_id integer not null references design,
  email_text_id integer not null references email_text,
  would_go_to jsonb not null,
  sent_to text not null,
  made_at timestamptz not null,
  made_by text not null,
  sent_at timestamptz,
  last_reply text,
  document_id integer references document,
  brand_id integer not null references brand,
  customer_name text not null default '',
  given_up text,
  -- the email as it stood on the screen, where it was not kept yet
  email jsonb
);
create index rehearsal_unsent on rehearsal (id) where sent_at is null and given_up is null;

-- Dispatch: what leaves, to whom, and what became of it

-- An email or a print job with one or more documents: its state is moved in services/dispatch alone.
create table dispatch (
  id integer primary key generated always as identity,
  channel text not null check (channel in ('email', 'paper')),
  state text not null
    check (state in ('waiting', 'claimed', 'handing over', 'on the way', 'arrived', 'stuck', 'closed')),
  customer_id integer not null references customer,
  customer_name text not null,
  brand_id integer not null references brand,
  email_text_id integer not null references email_text,
  to_role text not null,
  to_addresses jsonb,
  -- a copy never decides how its document stands
  is_copy boolean not null default false,
  number text not null,
  total numeric not null,
  currency text not null,
  send_to text not null default '',
  created_at timestamptz not null,
  created_by text not null,
  -- every document of it has its PDF
  ready boolean not null default false,
  -- held until then by a delay, by hours of the day or by a person
  not_before timestamptz not null,
  -- decides when it is tried, not the queue
  next_try_at timestamptz not null,
  attempts integer not null default 0,
  -- only who holds it may write what became of the try
  claim_token uuid,
  claimed_by text,
  lease_until timestamptz,
  -- fixed before the first try and kept on every other
  message_id text not null unique,
  since timestamptz not null,
  handed_over_at timestamptz,
  arrived_at timestamptz,
  arrived_how text,
  stuck_cause text,
  last_reply text,
  -- the failure notice told of it
  noticed boolean not null default false,
  copy_to jsonb not null default '[]',
  held boolean not null default false,
  -- 'order' while it is held because an order of its documents is held or withdrawn
  held_for text,
  -- somebody read why it was held and let it go all the same
  despite boolean not null default false,
  gather_key text,
  away boolean not null default false,
  -- the minute it goes in, where its mail account takes so many
  slot_at timestamptz,
  -- what a person wrote for this one email: subject, text with its fields, further copies
  own_email jsonb,
  -- counts what was written for it
  email_revision integer not null default 0,
  -- what an email says is still open of its invoice, where it reminds of that
  unpaid numeric,
  -- of several emails over which the files of one were spread, which this is, and its files
  part jsonb
);
create index dispatch_arrived on dispatch (arrived_at desc, id desc) where state = 'arrived';
create index dispatch_away on dispatch (id) where state = 'waiting' and away;
create index dispatch_customer_id_idx on dispatch (customer_id);
create index dispatch_due on dispatch (next_try_at)
  where state = 'waiting' and channel = 'email' and ready and not held;
create index dispatch_gathering on dispatch (gather_key) where gather_key is not null;
create index dispatch_held_for on dispatch (id) where held_for is not null;
create index dispatch_leased on dispatch (lease_until) where state in ('claimed', 'handing over');
create index dispatch_newest on dispatch (created_at desc, id desc);
create index dispatch_on_the_way on dispatch (since, id) where state = 'on the way';
create index dispatch_presume on dispatch (handed_over_at) where state = 'on the way';
create index dispatch_stuck on dispatch (since, id) where state = 'stuck';
create index dispatch_print_queue on dispatch (number) where state = 'waiting' and channel = 'paper';
create index dispatch_unnoticed on dispatch (id) where state = 'stuck' and not noticed;
create index dispatch_waiting on dispatch (since, id) where state in ('waiting', 'claimed', 'handing over');

-- The documents of an email or a print job.
create table dispatch_document (
  dispatch_id integer not null references dispatch,
  document_id integer not null references document,
  primary key (dispatch_id, document_id)
);
create index dispatch_document_document_id_idx on dispatch_document (document_id);

-- Each recipient with what the mail server said.
create table dispatch_recipient (
  dispatch_id integer not null references dispatch,
  address text not null,
  name text not null,
  -- to, cc or bcc
  placed text not null,
  source jsonb,
  outcome text not null,
  reply text not null default '',
  at timestamptz not null,
  primary key (dispatch_id, address)
);
create index dispatch_recipient_address_idx on dispatch_recipient (lower(address), at desc);
create index dispatch_recipient_address on dispatch_recipient using gin (address gin_trgm_ops);

-- The very words of an email that was handed over.
create table mail_copy (
  dispatch_id integer primary key references dispatch,
  message_id text not null,
  sender text not null,
  reply_to text not null,
  recipients text not null,
  subject text not null,
  text text not null,
  html text not null,
  files jsonb not null,
  sent_at timestamptz not null,
  -- the email's words that were sent
  email_revision integer not null default 0
);
create index mail_copy_words on mail_copy using gin (lower(((subject || ' ') || text)) gin_trgm_ops);

-- A link to a file of one email. Its address is made from the id and signed, and never kept.
create table signed_link (
  id integer primary key generated always as identity,
  dispatch_id integer not null references dispatch,
  sha256 text not null references file,
  name text not null,
  -- the document whose PDF it is; null of what went along with one
  document_id integer references document,
  made_at timestamptz not null,
  -- the last day on which it is good
  until date not null,
  ended_at timestamptz,
  ended_by text,
  wrong_codes integer not null default 0,
  opened integer not null default 0,
  first_opened_at timestamptz,
  last_opened_at timestamptz,
  -- so often it can be had; any number of times where there is none
  most_opened integer,
  -- a file of an item that was sold: what takes the whole sale back ends it
  of_item boolean not null default false
);
create unique index signed_link_of on signed_link (dispatch_id, sha256) where ended_at is null;
create index signed_link_document on signed_link (document_id);

-- How often an email's picture of one dot was fetched. Who fetched it is not kept.
create table email_open (
  dispatch_id integer primary key references dispatch,
  opened integer not null default 0,
  -- by programs, before anybody could have read it
  by_machine integer not null default 0,
  first_opened_at timestamptz,
  last_opened_at timestamptz
);

-- How often the offer of an email was followed, where its banner says that this is counted. Who did is not kept.
create table followed_offer (
  id integer primary key generated always as identity,
  dispatch_id integer not null references dispatch,
  -- where it leads
  href text not null,
  followed integer not null default 0,
  -- by programs that look into links
  by_machine integer not null default 0,
  first_followed_at timestamptz,
  last_followed_at timestamptz,
  unique (dispatch_id, href)
);

-- Imports

-- A CSV that is read, with the columns it was mapped by.
create table import (
  id integer primary key generated always as identity,
  subject text not null,
  name text not null,
  sha256 text not null references file,
  encoding text not null,
  delimiter text not null,
  columns jsonb not null,
  sample jsonb not null,
  mapping jsonb not null,
  decimal_sign text not null,
  day_order text not null,
  state text not null default 'new'
    check (state in ('new', 'checking', 'checked', 'writing', 'done', 'refused')),
  reason jsonb,
  made_at timestamptz not null,
  made_by text not null,
  since timestamptz not null,
  heading integer not null default 0,
  as_before boolean not null default false,
  tell_routines boolean not null default false
);

-- A row of it, with what is wrong or what became of it.
create table import_row (
  import_id integer not null references import on delete cascade,
  line integer not null,
  key text not null,
  cells jsonb not null,
  state text not null check (state in ('right', 'wrong', 'written', 'unchanged')),
  note jsonb,
  primary key (import_id, line)
);
create index import_row_state on import_row (import_id, state, key, line);

-- Receivables: what is owed, what was paid, what the bank says

-- Money that came in or went out. Taking one back is a payment of its own that reverses it.
create table payment (
  id integer primary key references source,
  direction text not null check (direction in ('in', 'out')),
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  date date not null,
  method text not null,
  amount numeric not null check (amount <> 0),
  currency text not null,
  reference text not null default '',
  -- what of it is on account
  open numeric not null,
  reverses_id integer references payment unique,
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null,
  -- the other program’s own key, so that it comes in once
  external_key text unique
);
create trigger source_of_payment before insert or update of customer_id, brand_id on payment
  for each row execute function keep_source('payment', '', '');
create index payment_customer_id_id_idx on payment (customer_id, id);
create index payment_newest on payment (date desc, id desc);
create index payment_on_account on payment (customer_id) where open <> 0;

-- What is owed on an invoice, or on a credit note below zero.
create table open_item (
  document_id integer primary key references document,
  customer_id integer not null references customer,
  currency text not null,
  amount numeric not null,
  -- what is still open of it
  open numeric not null,
  due_date date not null,
  dispute text not null default '',
  promised_on date,
  marked_by text not null default '',
  marked_at timestamptz
);
create index open_item_account on open_item (customer_id, currency, due_date) where open <> 0;
create index open_item_amount on open_item (open) where open <> 0;
-- all that Accounts adds up of what is owed, so that no row has to be read, and no amount compared, for it
create index open_item_owed on open_item (customer_id, currency, due_date)
  include (open, document_id, dispute, promised_on)
  where open > 0;

-- Which payment or credit settled what. Counter-entries are below zero; none is ever deleted.
create table allocation (
  id integer primary key generated always as identity,
  from_document_id integer references document,
  to_document_id integer references document,
  amount numeric not null constraint allocation_moves check (amount <> 0),
  currency text not null,
  at timestamptz not null,
  by text not null,
  payment_id integer references payment,
  to_payment_id integer references payment,
  -- by what it was settled
  kind text not null default 'credit' check (kind in ('credit', 'payment', 'discount', 'write-off')),
  -- the day on which it was waived without any payment
  waived_on date,
  constraint allocation_from check (num_nonnulls(from_document_id, payment_id, waived_on) = 1),
  constraint allocation_to check (num_nonnulls(to_document_id, to_payment_id) = 1)
);
create index allocation_from_document_id_idx on allocation (from_document_id);
create index allocation_payment_id_idx on allocation (payment_id) where payment_id is not null;
create index allocation_to_document_id_idx on allocation (to_document_id);
create index allocation_to_payment_id_idx on allocation (to_payment_id) where to_payment_id is not null;

-- What a customer owes a brand in a currency: what statements of account are made of.
create table account (
  id integer primary key references source,
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  currency text not null,
  -- the customer's number, by which lists call it
  label text not null,
  version integer not null default 1,
  unique (customer_id, brand_id, currency)
);
create trigger source_of_account before insert or update of customer_id, brand_id, label on account
  for each row execute function keep_source('account', 'label', '');

-- The brands whose books the statement of an account tells of, its own among them; "leads" is the account that tells of
-- them all, one of each customer and currency. One brand each, unless the house wants all of one company together.
create view account_stated as
select a.id account_id, o.brand_id, first_value(o.id) over (partition by a.id order by o.brand_id) leads
from account a
join brand b on b.id = a.brand_id
join account o on o.customer_id = a.customer_id and o.currency = a.currency
join brand p on p.id = o.brand_id
where o.brand_id = a.brand_id
  or (
    (select statements_together from company)
    and p.legal_name = b.legal_name and p.tax_number = b.tax_number
  );

-- What one settles of another, on the later day of the two, as it changes what is owed: the item that is settled, and
-- the payment or credit that settles it.
create view settled as
select a.id, a.kind, d.id document_id, null::integer payment_id, p.brand_id money_brand_id,
  greatest(d.date, p.date) as day, case p.direction when 'in' then -a.amount else a.amount end amount
from allocation a
join document d on d.id = a.to_document_id
join payment p on p.id = a.payment_id
union all
select a.id, a.kind, null, p.id, d.brand_id, greatest(d.date, p.date),
  case p.direction when 'in' then a.amount else -a.amount end
from allocation a
join document d on d.id = a.to_document_id
join payment p on p.id = a.payment_id
where a.kind = 'payment'
union all
select a.id, a.kind, d.id, null, f.brand_id, greatest(d.date, f.date), -a.amount
from allocation a
join document d on d.id = a.to_document_id
join document f on f.id = a.from_document_id
union all
select a.id, a.kind, f.id, null, d.brand_id, greatest(d.date, f.date), a.amount
from allocation a
join document d on d.id = a.to_document_id
join document f on f.id = a.from_document_id
union all
select a.id, a.kind, null, t.id, p.brand_id, greatest(t.date, p.date), a.amount
from allocation a
join payment t on t.id = a.to_payment_id
join payment p on p.id = a.payment_id
union all
select a.id, a.kind, null, p.id, t.brand_id, greatest(t.date, p.date), -a.amount
from allocation a
join payment t on t.id = a.to_payment_id
join payment p on p.id = a.payment_id
union all
select a.id, a.kind, d.id, null, d.brand_id, greatest(d.date, a.waived_on), -a.amount
from allocation a
join document d on d.id = a.to_document_id
where a.waived_on is not null;

-- Every booking on an account, by its accounting day: above zero the customer owes so much more.
create view ledger_entry as
select d.customer_id, d.brand_id, d.currency, d.date as day, d.kind, d.number, i.due_date, i.amount,
  d.id document_id, null::integer payment_id
from open_item i
join document d on d.id = i.document_id
where not exists (select from document_void v where v.document_id = d.id)
union all
select p.customer_id, p.brand_id, p.currency, p.date, case p.direction when 'in' then 'payment' else 'refund' end,
  p.reference, null, case p.direction when 'in' then -p.amount else p.amount end, null, p.id
from payment p
union all
select d.customer_id, d.brand_id, d.currency, s.day, case s.kind when 'discount' then 'discount' else 'waived' end,
  d.number, null, s.amount, d.id, null
from settled s
join document d on d.id = s.document_id
where s.kind in ('discount', 'write-off')
union all
select d.customer_id, d.brand_id, d.currency, s.day, 'transfer', d.number, null, s.amount, d.id, null
from settled s
join document d on d.id = s.document_id
where s.kind in ('payment', 'credit') and s.money_brand_id <> d.brand_id
union all
select p.customer_id, p.brand_id, p.currency, s.day, 'transfer', p.reference, null, s.amount, null, p.id
from settled s
join payment p on p.id = s.payment_id
where s.money_brand_id <> p.brand_id;

-- Statements that somebody had prepared of many accounts, and what came of each.
create table statement_run (
  id integer primary key generated always as identity,
  period jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  stopped_at timestamptz
);
create table statement_run_account (
  run_id integer not null references statement_run,
  account_id integer not null references account,
  -- null while it waits
  outcome text check (outcome in ('prepared', 'already', 'nothing', 'refused', 'stopped')),
  reason jsonb,
  prepared_id integer references prepared_document,
  primary key (run_id, account_id)
);
create index statement_run_waiting on statement_run_account (run_id, account_id) where outcome is null;

-- Which invoices were reminded of, and at which level by which letter: each level once.
create table reminder (
  document_id integer not null references document,
  -- from 1
  level integer not null check (level > 0),
  reminder_id integer not null references document,
  day date not null,
  primary key (document_id, level)
);
create index reminder_reminder_id_idx on reminder (reminder_id);

-- Interest that a letter made owed, by invoice: the next letter asks for what came since.
create table booked_interest (
  document_id integer not null references document,
  reminder_id integer not null references document,
  amount numeric not null check (amount > 0),
  primary key (document_id, reminder_id)
);
create index booked_interest_reminder_id_idx on booked_interest (reminder_id);

-- What lists are narrowed to, kept by a name for everybody at the desk.
create table saved_filter (
  id integer primary key generated always as identity,
  -- the list: the name of its page
  page text not null,
  name text not null,
  filters jsonb not null,
  made_at timestamptz not null,
  made_by text not null,
  unique (page, name)
);

-- A statement of the bank that was read.
create table bank_file (
  id integer primary key generated always as identity,
  sha256 text not null references file,
  name text not null,
  account text not null default '',
  state text not null default 'reading' check (state in ('reading', 'ready', 'refused')),
  reason jsonb,
  entries integer not null default 0,
  known integer not null default 0,
  made_at timestamptz not null,
  made_by text not null,
  import_id integer references import unique
);
create unique index bank_file_read_once on bank_file (sha256) where import_id is null;

-- A movement on a statement, with what it is proposed to settle.
create table bank_entry (
  id integer primary key generated always as identity,
  file_id integer not null references bank_file,
  account text not null,
  -- tells the movement in every file that holds it
  key text not null,
  booked_on date not null,
  amount numeric not null,
  currency text not null,
  name text not null,
  iban text not null,
  text text not null,
  reference text not null,
  state text not null check (state in ('sure', 'unsure', 'strange', 'to book', 'booked', 'set aside')),
  reason jsonb not null,
  proposal jsonb not null,
  payment_id integer references payment,
  decided_by text not null default '',
  decided_at timestamptz,
  unique (account, key)
);
create index bank_entry_file_id_state_id_idx on bank_entry (file_id, state, id);
create index bank_entry_to_book on bank_entry (id) where state = 'to book';
create index bank_entry_waiting on bank_entry (id) where state in ('sure', 'unsure', 'strange', 'to book');

-- History and processes

-- The history: who did what to which order, document or email, in words.
create table history (
  id integer primary key generated always as identity,
  at timestamptz not null,
  actor text not null,
  source_id integer references source,
  prepared_id integer references prepared_document,
  document_id integer references document,
  dispatch_id integer references dispatch,
  words text not null,
  detail jsonb,
  -- the key of its sentence and its values; null for what was written before they were kept
  told jsonb
);
create index history_dispatch_id_idx on history (dispatch_id) where dispatch_id is not null;
create index history_document_id_idx on history (document_id) where document_id is not null;
create index history_prepared_id_idx on history (prepared_id) where prepared_id is not null;
create index history_source_id_idx on history (source_id) where source_id is not null;

-- Workers that are alive, by their heartbeat.
create table worker (
  id text primary key,
  started_at timestamptz not null,
  beat_at timestamptz not null,
  queue_workers text[] not null default '{}'
);

-- What refers to tables that come later
alter table event add foreign key (document_id) references document;
alter table label add foreign key (file) references file;
alter table label add foreign key (document_id) references document;
alter table return_credit add foreign key (draft_id) references draft;
alter table draft add foreign key (credits_id) references document;
alter table draft add foreign key (replaces_id) references document;
alter table prepared_document add foreign key (credits_id) references document;
alter table prepared_document add foreign key (replaces_id) references document;

-- An issued document never changes: voiding, crediting and retention are rows of their own
create function refuse_change() returns trigger language plpgsql as $fn$
begin
  raise exception 'documents are never changed or deleted: void or credit instead'
    using errcode = 'integrity_constraint_violation';
end $fn$;
create trigger document_is_final before update or delete on document
  for each row execute function refuse_change();
create trigger document_stays before truncate on document
  for each statement execute function refuse_change();
create trigger document_file_is_final before update or delete on document_file
  for each row execute function refuse_change();
create trigger document_void_is_final before update or delete on document_void
  for each row execute function refuse_change();

-- A session that ends is told at once, so that its open stream ends, too
create function tell_session_end() returns trigger language plpgsql as $fn$
begin
  perform pg_notify('clothespin_changes_signout', old.id);
  return old;
end $fn$;
create trigger session_ends after delete on session for each row execute function tell_session_end();

-- Another role or password, or a person who left, ends their sessions
create function end_sessions() returns trigger language plpgsql as $fn$
begin
  delete from session where staff_id = old.id;
  return new;
end $fn$;
create trigger staff_changed after update of role, password_hash on staff
  for each row when (old.role <> new.role or old.password_hash <> new.password_hash)
  execute function end_sessions();
