/**
 * Posting: invoices and credit notes written without an order or for a part of one, voiding, credits against invoices, closed periods,
 * tax treatments, exchange rates; amounts in currencies of any number of digits.
 */
export const posting = `
alter table sales_order alter column net type numeric, alter column total type numeric, alter column prepaid type numeric;
alter table paper alter column total type numeric;
alter table document alter column net type numeric, alter column tax type numeric, alter column total type numeric, alter column to_pay type numeric;
alter table open_item alter column amount type numeric, alter column open type numeric;
alter table dispatch alter column total type numeric;

create table bill (
  id integer generated always as identity primary key,
  kind text not null check (kind in ('invoice', 'credit note')),
  brand_id integer not null references brand,
  customer_id integer not null references customer,
  order_id integer references sales_order,
  credits_id integer references document,
  replaces_id integer references document,
  facts jsonb not null,
  state text not null default 'open' check (state in ('open', 'issued', 'dropped')),
  version integer not null default 1,
  made_at timestamptz not null,
  made_by text not null
);
create index on bill (order_id) where order_id is not null;
create index on bill (credits_id) where credits_id is not null;

alter table paper alter column order_id drop not null;
alter table paper add column bill_id integer references bill, add column wished_date date, add column earlier_date_ok boolean not null default false;
drop index paper_open;
create unique index paper_open on paper (coalesce(order_id, 0), kind, occasion) where state in ('due', 'prepared', 'put back');
create index paper_by_bill on paper (bill_id) where bill_id is not null;

alter table document alter column order_id drop not null;
alter table document add column bill_id integer references bill, add column credits_id integer references document, add column replaces_id integer references document;
create index on document (credits_id) where credits_id is not null;
create index on document (replaces_id) where replaces_id is not null;
create index document_of_series on document (series_id, period, date);

create table document_void (
  document_id integer primary key references document,
  at timestamptz not null,
  by text not null,
  reason text not null
);
create trigger document_void_is_final before update or delete on document_void for each row execute function refuse_change();

create table allocation (
  id integer generated always as identity primary key,
  from_document_id integer not null references document,
  to_document_id integer not null references document,
  amount numeric not null check (amount > 0),
  currency text not null,
  at timestamptz not null,
  by text not null
);
create index on allocation (from_document_id);
create index on allocation (to_document_id);

create table period_close (
  id integer generated always as identity primary key,
  closed_until date,
  was_until date,
  at timestamptz not null,
  by text not null,
  reason text not null default ''
);
alter table company add column closed_until date;
alter table company add column zero_totals text not null default 'make' check (zero_totals in ('make', 'skip'));

alter table event alter column order_id drop not null;
alter table event add column document_id integer references document;

alter table customer add column tax_treatment text not null default 'domestic' check (tax_treatment in ('domestic', 'reverse charge', 'intra-Community supply', 'export', 'exempt'));

create table exchange_rate (
  currency text not null,
  day date not null,
  rate numeric not null check (rate > 0),
  source text not null,
  primary key (currency, day)
);

insert into stationery (brand_id, kind, version, design, made_at, made_by)
  select distinct on (brand_id) brand_id, 'credit note', 1, design, made_at, made_by from stationery where kind = 'invoice' order by brand_id, version desc;
insert into number_series (kind, brand_id, prefix, suffix, length, start, restart, business_year_start)
  select 'credit note', brand_id, 'C' || prefix, suffix, length, 1, restart, business_year_start from number_series where kind = 'invoice';
insert into cover_note (brand_id, kind, language, version, subject, text, made_at, made_by)
  select distinct on (brand_id, language) brand_id, 'credit note', language, 1,
    case language when 'de' then 'Rechnungskorrektur {{ number }}' when 'fr' then 'Avoir {{ number }}' else 'Credit note {{ number }}' end,
    case language when 'de' then 'anbei unsere Rechnungskorrektur {{ number }} über {{ total }}.' when 'fr' then 'vous trouverez ci-joint notre avoir {{ number }} de {{ total }}.' else 'enclosed is our credit note {{ number }} over {{ total }}.' end,
    made_at, made_by
  from cover_note where kind = 'invoice' order by brand_id, language, version desc;
`
