-- Interest and fees of reminders, invoices sent again because they are not paid, what is waived without a payment; and
-- saved filters.

-- Interest that a letter made owed, by invoice: the next letter asks for what came since.
create table booked_interest (
  document_id integer not null references document,
  reminder_id integer not null references document,
  amount numeric not null check (amount > 0),
  primary key (document_id, reminder_id)
);
create index booked_interest_reminder_id_idx on booked_interest (reminder_id);

update company
set reminders = '{"rates": [], "booksCharges": false}'::jsonb || reminders || jsonb_build_object(
  'levels', (
    select jsonb_agg('{"interest": false, "fee": "0"}'::jsonb || level order by place)
    from jsonb_array_elements(reminders -> 'levels') with ordinality x (level, place)
  )
)
where reminders is not null;

-- what an email says is still open of its invoice, where it reminds of that
alter table dispatch add column unpaid numeric;

alter table allocation add column waived_on date;
alter table allocation drop constraint allocation_from;
alter table allocation
  add constraint allocation_from check (num_nonnulls(from_document_id, payment_id, waived_on) = 1);

create or replace view settled as
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
