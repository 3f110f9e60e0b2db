-- Groups with defaults, further addresses with their own recipients, roles of contacts that a house names itself.

alter table company add column preferences jsonb not null default '{}';
alter table company add column contact_roles jsonb not null default '["buying", "billing", "goods-in"]';

create index dispatch_recipient_address_idx on dispatch_recipient (lower(address), at desc);

alter table contact drop constraint contact_role_check;

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
insert into customer_group (name) select distinct group_name from customer where group_name <> '' order by 1;

alter table customer add column billing_mail jsonb not null default '{}';

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

alter table sales_order add column bill_to_id integer references customer_address;
alter table sales_order add column delivery jsonb;
alter table sales_order add column internal_note text not null default '';
create index sales_order_bill_to_id_idx on sales_order (bill_to_id) where bill_to_id is not null;

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
      coalesce(c.preferences -> k, '{}') own, mail
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

-- Who can be written to at a customer.
create function contacts_of(customer integer) returns jsonb language sql stable as $fn$
  select coalesce(jsonb_agg(jsonb_build_object('name', name, 'email', email, 'role', role) order by id), '[]')
  from contact
  where customer_id = customer
$fn$;
