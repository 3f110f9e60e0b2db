-- Accounts, their bookings by accounting day, and statements that are made of many.

alter table source drop constraint source_kind_check;
alter table source add constraint source_kind_check check (kind in ('order', 'draft', 'payment', 'account'));

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
join payment p on p.id = a.payment_id;

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
  reason text not null default '',
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

-- how the house reminds; null as supplied
alter table company add column reminders jsonb;
