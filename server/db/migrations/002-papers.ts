export const papers = `
create table event (
  id integer generated always as identity primary key,
  kind text not null,
  order_id integer not null references sales_order,
  facts jsonb not null,
  schema_version integer not null,
  at timestamptz not null,
  actor text not null,
  looked_at timestamptz
);
create index on event (order_id);
create index event_unseen on event (id) where looked_at is null;

create table evaluation (
  id integer generated always as identity primary key,
  event_id integer not null references event,
  order_id integer not null references sales_order,
  routine_id integer not null references routine,
  routine_version integer not null,
  outcome text not null,
  reason text not null,
  seen jsonb not null,
  at timestamptz not null,
  unique (event_id, routine_id)
);
create index on evaluation (order_id);

create table paper (
  id integer generated always as identity primary key,
  order_id integer not null references sales_order,
  kind text not null,
  occasion text not null,
  state text not null check (state in ('due', 'prepared', 'put back', 'issued', 'dropped')),
  by_itself boolean not null default false,
  routine_id integer references routine,
  routine_version integer,
  customer_id integer not null references customer,
  brand_id integer not null references brand,
  order_number text not null,
  order_date date not null,
  customer_name text not null,
  total numeric(14,2) not null,
  currency text not null,
  channel text not null,
  send_to text not null,
  to_role text not null,
  delay_minutes integer not null default 0,
  source jsonb not null,
  content jsonb,
  baseline jsonb not null,
  stationery_id integer not null references stationery,
  cover_note_id integer not null references cover_note,
  built_from jsonb not null,
  revision integer not null default 1,
  problem text,
  changes jsonb,
  stale boolean not null default false,
  since timestamptz not null,
  actor text not null default ''
);
create unique index paper_open on paper (order_id, kind, occasion) where state in ('due', 'prepared', 'put back');
create index paper_by_order on paper (order_id);
create index paper_to_check on paper (since, id) where state = 'prepared' and not by_itself;
create index paper_to_issue on paper (id) where state = 'prepared' and by_itself;
create index paper_to_send on paper (since, id) where state in ('due', 'put back');
create index paper_stale on paper (id) where stale;
create index paper_customer on paper (customer_id) where state = 'prepared';
create index paper_brand on paper (brand_id) where state = 'prepared';

create table claim (
  source_kind text not null,
  source_id integer not null,
  document_kind text not null,
  occasion text not null,
  paper_id integer not null references paper,
  document_id integer,
  taken_at timestamptz not null,
  primary key (source_kind, source_id, document_kind, occasion)
);

create table document (
  id integer generated always as identity primary key,
  kind text not null,
  number text not null,
  series_id integer not null references number_series,
  period text not null,
  counter integer not null,
  date date not null,
  due_date date not null,
  order_id integer not null references sales_order,
  order_number text not null,
  customer_id integer not null references customer,
  customer_name text not null,
  brand_id integer not null references brand,
  language text not null,
  currency text not null,
  net numeric(14,2) not null,
  tax numeric(14,2) not null,
  total numeric(14,2) not null,
  to_pay numeric(14,2) not null,
  paper jsonb not null,
  stationery_id integer not null references stationery,
  cover_note_id integer not null references cover_note,
  paper_id integer not null references paper,
  issued_at timestamptz not null,
  issued_by text not null,
  search text not null,
  unique (kind, number),
  unique (series_id, period, counter)
);
create index on document (order_id);
create index on document (customer_id);
create index on document (issued_at desc, id desc);
create index on document using gin (search gin_trgm_ops);
create index on document (total);

create function refuse_change() returns trigger language plpgsql as $fn$
begin
  raise exception 'documents are never changed or deleted: void or credit instead' using errcode = 'integrity_constraint_violation';
end $fn$;
create trigger document_is_final before update or delete on document for each row execute function refuse_change();
create trigger document_stays before truncate on document for each statement execute function refuse_change();

create table file (
  sha256 text primary key,
  media_type text not null,
  size integer not null,
  bytes bytea not null,
  kept_at timestamptz not null
);
alter table file alter column bytes set storage external;

create table document_file (
  document_id integer primary key references document,
  sha256 text not null references file,
  file_name text not null,
  renderer text not null,
  pages integer not null,
  made_at timestamptz not null
);
create trigger document_file_is_final before update or delete on document_file for each row execute function refuse_change();

create table unpainted (document_id integer primary key references document);

create table open_item (
  document_id integer primary key references document,
  customer_id integer not null references customer,
  currency text not null,
  amount numeric(14,2) not null,
  open numeric(14,2) not null,
  due_date date not null
);
create index on open_item (customer_id) where open <> 0;

create table undelivered (document_id integer primary key references document, since timestamptz not null);
`
