/** Tokens for other programs, and what was answered to a call with an idempotency key. */
export const api = `
create table api_token (
  id integer generated always as identity primary key,
  name text not null,
  scope text not null check (scope in ('read', 'write')),
  hash text not null unique,
  staff_id integer not null references staff,
  made_at timestamptz not null,
  used_on date,
  revoked_at timestamptz
);
create table api_call (
  caller text not null,
  key text not null,
  call_hash text not null,
  started_at timestamptz not null,
  status integer,
  answer jsonb,
  primary key (caller, key)
);
create index api_call_started on api_call (started_at);
`
