/**
 * Payments, refunds and what they settle; receipts as papers of payments; marks on open items. Routines on posting and on payments;
 * issuing without sending; withdrawn orders; document dates by the event; earlier dates that were allowed; prices with tax per brand or customer.
 */
export const payments = `
create table payment (
  id integer generated always as identity primary key,
  direction text not null check (direction in ('in', 'out')),
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  date date not null,
  method text not null,
  amount numeric not null check (amount <> 0),
  currency text not null,
  reference text not null default '',
  open numeric not null,
  reverses_id integer unique references payment,
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null
);
create index on payment (customer_id, id);
create index payment_newest on payment (date desc, id desc);
create index payment_on_account on payment (customer_id) where open <> 0;

alter table allocation alter column from_document_id drop not null, alter column to_document_id drop not null;
alter table allocation add column payment_id integer references payment, add column to_payment_id integer references payment,
  add column kind text not null default 'credit' check (kind in ('credit', 'payment', 'discount', 'write-off'));
alter table allocation drop constraint allocation_amount_check;
alter table allocation add constraint allocation_moves check (amount <> 0),
  add constraint allocation_from check (num_nonnulls(from_document_id, payment_id) = 1), add constraint allocation_to check (num_nonnulls(to_document_id, to_payment_id) = 1);
create index on allocation (payment_id) where payment_id is not null;
create index on allocation (to_payment_id) where to_payment_id is not null;

alter table paper add column payment_id integer references payment, add column event_day date;
create index paper_by_payment on paper (payment_id) where payment_id is not null;
alter table document add column payment_id integer references payment, add column earlier_than date;
create index on document (payment_id) where payment_id is not null;
create index document_earlier on document (series_id, period, counter) where earlier_than is not null;
create index document_sums on document (currency, kind, date) include (total, brand_id);
alter table event add column payment_id integer references payment;
alter table evaluation alter column order_id drop not null;
alter table undelivered add column routine_id integer references routine;
alter table send_run add column post_only boolean not null default false;

alter table company add column withdrawn_statuses jsonb not null default '[]', add column withdrawn_rule text not null default 'list' check (withdrawn_rule in ('list', 'settle')),
  add column document_dates jsonb not null default '{}', add column small_difference numeric not null default 0;
alter table brand add column prices_include_tax boolean not null default false;
alter table customer add column prices_include_tax boolean;

alter table open_item add column dispute text not null default '', add column promised_on date, add column marked_by text not null default '', add column marked_at timestamptz;
create index open_item_account on open_item (customer_id, currency, due_date) include (open, document_id, dispute) where open <> 0;

insert into stationery (brand_id, kind, version, design, made_at, made_by)
  select distinct on (s.brand_id, k.kind) s.brand_id, k.kind, 1, s.design, s.made_at, s.made_by from stationery s cross join (values ('payment receipt'), ('refund receipt')) as k (kind)
  where s.kind = 'invoice' order by s.brand_id, k.kind, s.version desc;
insert into number_series (kind, brand_id, prefix, suffix, length, start, restart, business_year_start)
  select k.kind, s.brand_id, k.prefix || s.prefix, s.suffix, s.length, 1, s.restart, s.business_year_start from number_series s cross join (values ('payment receipt', 'P'), ('refund receipt', 'R')) as k (kind, prefix)
  where s.kind = 'invoice' and s.country = '' and s.currency = '' and s.source = 'own';
insert into cover_note (brand_id, kind, language, version, subject, text, made_at, made_by)
  select distinct on (n.brand_id, k.kind, n.language) n.brand_id, k.kind, n.language, 1,
    case n.language when 'de' then k.de when 'fr' then k.fr else k.en end || ' {{ number }}',
    case n.language when 'de' then 'anbei unser Beleg {{ number }} über {{ total }}.' when 'fr' then 'vous trouverez ci-joint notre reçu {{ number }} de {{ total }}.' else 'enclosed is our receipt {{ number }} over {{ total }}.' end,
    n.made_at, n.made_by
  from cover_note n cross join (values ('payment receipt', 'Payment receipt', 'Zahlungsbestätigung', 'Reçu de paiement'), ('refund receipt', 'Refund receipt', 'Erstattungsbestätigung', 'Reçu de remboursement')) as k (kind, en, de, fr)
  where n.kind = 'invoice' order by n.brand_id, k.kind, n.language, n.version desc;
`
