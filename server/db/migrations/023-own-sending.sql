-- What was written for one email can say who it comes from, where answers go and how its files travel.

drop function sender_for(brand, text, integer, text, integer);

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

drop function attach_for(customer, text);

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
