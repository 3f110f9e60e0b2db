/** Files of records, read row by row, checked, mended and written. */
export const imports = `
create table import (
  id integer generated always as identity primary key,
  subject text not null,
  name text not null,
  sha256 text not null references file,
  encoding text not null,
  delimiter text not null,
  columns jsonb not null,
  sample jsonb not null,
  mapping jsonb not null,
  decimal_sign text not null,
  day_order text not null,
  state text not null default 'new' check (state in ('new', 'checking', 'checked', 'writing', 'done', 'refused')),
  reason text not null default '',
  made_at timestamptz not null,
  made_by text not null,
  since timestamptz not null
);
create table import_row (
  import_id integer not null references import on delete cascade,
  line integer not null,
  key text not null,
  cells jsonb not null,
  state text not null check (state in ('right', 'wrong', 'written', 'unchanged')),
  note text not null default '',
  primary key (import_id, line)
);
create index import_row_state on import_row (import_id, state, key, line);
alter table payment add column external_key text unique;
`
