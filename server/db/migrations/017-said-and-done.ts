/** Orders that hold their documents back, emails that gather documents over the batches of a Send, and what a Send did. */
export const saidAndDone = `
alter table company add column held_statuses jsonb not null default '[]';

-- An order whose status says that nothing of it may leave for now.
create view stopped_order as
  select o.id order_id, o.status, case when c.withdrawn_statuses ? o.status then 'withdrawn' else 'held' end how
  from sales_order o
  cross join company c
  where c.withdrawn_statuses ? o.status or c.held_statuses ? o.status;

alter table dispatch
  -- 'order' while it is held because an order of its documents is held or withdrawn
  add column held_for text,
  -- somebody read why it was held and let it go all the same
  add column despite boolean not null default false,
  -- what makes documents alike that go in one email; null once it is closed and may go
  add column gather_key text,
  -- the mail server could not be reached at the last try
  add column away boolean not null default false;
create index dispatch_away on dispatch (id) where state = 'waiting' and away;
create index dispatch_gathering on dispatch (gather_key) where gather_key is not null;
create index dispatch_held_for on dispatch (id) where held_for is not null;

-- A routine was to let it go automatically and could not; somebody is told of it once.
alter table paper
  add column kept_back boolean not null default false,
  add column kept_back_noticed boolean not null default true;
create index paper_kept_back on paper (id) where state = 'prepared' and kept_back;

-- Why a rehearsal will never be mailed: it gets no further jobs.
alter table rehearsal_paper
  add column given_up text,
  -- the email as it stood on the screen, where it was not kept yet
  add column email jsonb;
drop index rehearsal_unsent;
create index rehearsal_unsent on rehearsal_paper (id) where sent_at is null and given_up is null;

alter table send_run
  add column despite boolean not null default false,
  add column without_address boolean not null default false;
create index send_run_newest on send_run (started_at desc, id desc);

-- Tax codes with their words and their rates over time; a company's rates were a list without days before.
create table tax_code (
  code text primary key,
  position integer generated always as identity,
  category text not null check (category in ('S', 'Z', 'E', 'O')),
  names jsonb not null,
  reasons jsonb not null default '{}',
  version integer not null default 1
);
create table tax_rate (
  code text not null references tax_code,
  from_day date not null,
  percent numeric not null check (percent >= 0 and percent < 100),
  primary key (code, from_day)
);
insert into tax_code (code, category, names)
  select r.code, case when r.percent::numeric = 0 then 'Z' else 'S' end, jsonb_build_object(c.language, r.code)
  from company c cross join lateral jsonb_each_text(c.tax_rates) as r (code, percent) order by r.percent::numeric desc;
insert into tax_rate (code, from_day, percent)
  select r.code, date '2000-01-01', r.percent::numeric from company c cross join lateral jsonb_each_text(c.tax_rates) as r (code, percent);
alter table company drop column tax_rates;

-- What invoices say, by language, where a brand has no tax number.
alter table brand add column without_tax_number jsonb not null default '{}';

-- Numbers that a supervisor left out on purpose, with the reason: they are no gap.
create table number_skip (
  id integer generated always as identity primary key,
  series_id integer not null references number_series,
  period text not null,
  first integer not null,
  last integer not null check (last >= first),
  reason text not null,
  at timestamptz not null,
  by text not null
);
create index on number_skip (series_id, period);

-- Recipients that a person chose for this one sending of a prepared document.
alter table paper add column to_addresses jsonb;

-- The list of all emails is searched by address and by their words.
create index dispatch_recipient_address on dispatch_recipient using gin (address gin_trgm_ops);
create index mail_copy_words on mail_copy using gin (lower(subject || ' ' || text) gin_trgm_ops);
create index dispatch_newest on dispatch (created_at desc, id desc);

-- Who is signed in. A row that is gone ends the session at once, also its open stream.
create table session (
  id text primary key,
  staff_id integer not null references staff on delete cascade,
  role text not null,
  made_at timestamptz not null,
  ends_at timestamptz not null
);
create index on session (staff_id);
create index on session (ends_at);
create function tell_session_end() returns trigger language plpgsql as $fn$
begin
  perform pg_notify('clothespin_changes_signout', old.id);
  return old;
end $fn$;
create trigger session_ends after delete on session for each row execute function tell_session_end();
create function end_sessions() returns trigger language plpgsql as $fn$
begin
  delete from session where staff_id = old.id;
  return new;
end $fn$;
create trigger staff_changed after update of role, password_hash on staff
  for each row when (old.role <> new.role or old.password_hash <> new.password_hash) execute function end_sessions();

-- Calls counted per minute and wrong passwords; survives a restart, needs no write-ahead log.
create unlogged table rate_limit (
  key varchar(255) primary key,
  points integer not null default 0,
  expire bigint
);

-- Whether routines act on the statuses that imported orders come in with.
alter table import add column tell_routines boolean not null default false;
`
