/** Bank files and what became of each movement in them. */
export const bank = `
create table bank_file (
  id integer generated always as identity primary key,
  sha256 text not null unique references file,
  name text not null,
  account text not null default '',
  state text not null default 'reading' check (state in ('reading', 'ready', 'refused')),
  reason text not null default '',
  entries integer not null default 0,
  known integer not null default 0,
  made_at timestamptz not null,
  made_by text not null
);
create table bank_entry (
  id integer generated always as identity primary key,
  file_id integer not null references bank_file,
  account text not null,
  key text not null,
  booked_on date not null,
  amount numeric not null,
  currency text not null,
  name text not null,
  iban text not null,
  text text not null,
  reference text not null,
  state text not null check (state in ('sure', 'unsure', 'strange', 'to book', 'booked', 'set aside')),
  reason text not null,
  proposal jsonb not null,
  payment_id integer references payment,
  decided_by text not null default '',
  decided_at timestamptz,
  unique (account, key)
);
create index on bank_entry (file_id, state, id);
create index bank_entry_to_book on bank_entry (id) where state = 'to book';
create index document_bare_number on document ((upper(regexp_replace(number, '[^A-Za-z0-9]', '', 'g'))));
create index open_item_amount on open_item (open) where open <> 0;
`
