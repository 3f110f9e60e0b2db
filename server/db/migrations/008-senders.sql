-- Who emails come from, by kind of document and by routine.

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

-- Who an email comes from and where its answers go: a routine's sender before the kind's before the brand itself.
-- The worker is who had it sent; the source names the salesperson.
create function sender_for(b brand, of_kind text, of_routine integer, worker text, of_source integer)
returns table (name text, address text, reply_to text, mail_account_id integer) language sql stable as $fn$
  select concat_ws(', ', case when s.names_person then p.person end, coalesce(nullif(s.name, ''), b.sender_name)),
    coalesce(nullif(s.address, ''), b.sender_address),
    coalesce(
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
    where sender.brand_id = b.id and (sender.kind = of_kind or sender.routine_id = of_routine)
    order by sender.routine_id nulls last
    limit 1
  ) s
    on true
  left join staff_called(worker) p on s.names_person or s.answers_to = 'person'
$fn$;
