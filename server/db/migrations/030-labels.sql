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
  version integer not null default 1
);

-- parcels are kept in their places, so that their labels stay with them
alter table parcel drop constraint parcel_shipment_id_number_key;
alter table parcel add unique (shipment_id, number);

-- which service goods go by, what labels are printed on, and the company prefix that GS1 gave
alter table company add column service_rules jsonb not null default '[]';
alter table company add column label_printing jsonb not null default '{"format": "100x150", "from": 1}';
alter table company add column gs1_prefix text not null default '';

-- A label as it is bought of a carrier: at most one that stands for each parcel.
create table label (
  id integer primary key generated always as identity,
  shipment_id integer not null references shipment,
  -- null once the parcel is packed otherwise
  parcel_id integer references parcel on delete set null,
  -- which parcel of how many it was
  parcel integer not null,
  parcels integer not null,
  carrier_id integer not null references carrier,
  service text not null,
  service_name text not null,
  -- where the service was said
  service_source text not null,
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
  file text references file,
  made_at timestamptz,
  way text,
  way_at timestamptz,
  -- when the carrier is asked next how far it is; null once it is there
  ask_way_at timestamptz,
  -- a person was told that it could not be bought
  noticed boolean not null default false,
  -- the document that it is printed on
  document_id integer references document
);
create unique index label_stands on label (parcel_id)
  where state in ('asked', 'booking', 'unclear', 'made', 'cancelling');
create index label_shipment_id_idx on label (shipment_id);
create index label_due on label (next_try_at) where state in ('asked', 'booking', 'unclear', 'cancelling');
create index label_refused on label (asked_at) where state in ('refused', 'unclear');
create index label_tracking on label (tracking) where tracking <> '';
create index label_ask_way on label (ask_way_at) where ask_way_at is not null;
create index label_made_at on label (made_at) where made_at is not null;

-- a label stands on the box: it is printed where nobody wants it otherwise
alter table company alter column preferences
  set default '{
    "packing slip": {"channel": "paper"},
    "shipping label": {"channel": "paper"},
    "customs invoice": {"channel": "paper"}
  }';
update company
set preferences = '{"shipping label": {"channel": "paper"}, "customs invoice": {"channel": "paper"}}' || preferences;

-- How documents of kinds go to a customer: the house's wishes, the group's, the billed address's and its own together.
create or replace function preferences_for(c customer, source_id integer, kinds text[])
returns jsonb language sql stable as $fn$
  with given as (
    select (select preferences from company) house,
      (select preferences from customer_group where name = c.group_name) ours,
      coalesce((billed_to(source_id)).mail, c.billing_mail) mail
  ), levels as (
    select k kind, coalesce(house -> k, '{}') house, coalesce(ours -> k, '{}') ours,
      coalesce(c.preferences -> k, '{}') own,
      -- the address that is billed says nothing of where goods come in
      case when k not in ('packing slip', 'delivery note', 'shipping label', 'customs invoice') then mail end mail
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
