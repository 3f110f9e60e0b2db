-- Goods of an order that come back are a source of documents, too.
alter table source drop constraint source_kind_check;
alter table source add constraint source_kind_check
  check (kind in ('order', 'draft', 'payment', 'account', 'shipment', 'return'));

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
  draft_id integer primary key references draft,
  return_id integer not null references goods_return,
  -- positions with quantities
  contents jsonb not null
);
create index return_credit_return_id_idx on return_credit (return_id);

-- Parcels and their labels are of whatever is carried: goods that go out, or come back.
alter table parcel rename column shipment_id to source_id;
alter table parcel drop constraint parcel_shipment_id_fkey;
alter table parcel add foreign key (source_id) references source;
alter table parcel drop constraint parcel_shipment_id_number_key;
alter table parcel add unique (source_id, number);

alter table label rename column shipment_id to source_id;
alter table label drop constraint label_shipment_id_fkey;
alter table label add foreign key (source_id) references source;
alter index label_shipment_id_idx rename to label_source_id_idx;
-- looked through every few seconds for those that ended
create index label_return_unused on label (source_id)
  where state = 'made' and way = 'announced' and asked ->> 'isReturn' = 'true';

-- What a carrier is asked to carry. `stands`: labels may be bought for it; `country`: the customer's end of the way.
create view consignment as
select id, label, state = 'packed' stands, order_id, brand_id, customer_id, service, delivery, null::jsonb sender,
  delivery ->> 'country' country, null::date until, null::jsonb goes_on, false is_return
from shipment
union all
select id, label, state = 'expected', order_id, brand_id, customer_id, service, delivery, sender,
  sender ->> 'country', until, goes_on, true
from goods_return;

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

-- What packing slips say of the buyer besides the goods, and whether they say prices.
alter table company add column slip_shows jsonb not null
  default '{"details": ["reference", "customer", "service", "billed to"], "prices": false}';
