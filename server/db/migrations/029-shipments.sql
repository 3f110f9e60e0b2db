-- Goods of an order that go out together are a source of documents.
alter table source drop constraint source_kind_check;
alter table source add constraint source_kind_check
  check (kind in ('order', 'draft', 'payment', 'account', 'shipment'));

create index source_called on source (lower(label)) where kind in ('order', 'shipment');

-- what was cancelled of a line; its quantity is what is ordered now, without that
alter table order_line add column cancelled numeric(14,3) not null default 0;

-- the boxes that the house packs into
alter table company add column boxes jsonb not null default '[]';

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

-- What of a shipment is packed together.
create table parcel (
  id integer primary key generated always as identity,
  shipment_id integer not null references shipment,
  -- from 1 within its shipment
  number integer not null check (number > 0),
  box text not null default '',
  -- packed, in kilograms; null where nobody weighed it
  weight numeric check (weight > 0),
  -- positions with quantities
  contents jsonb not null,
  unique (shipment_id, number) deferrable initially deferred
);

-- a packing slip lies in the box: it is printed where nobody wants it otherwise
alter table company alter column preferences set default '{"packing slip": {"channel": "paper"}}';
update company set preferences = '{"packing slip": {"channel": "paper"}}' || preferences;

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
      case when k not in ('packing slip', 'delivery note') then mail end mail
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
