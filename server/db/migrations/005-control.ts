/** Grace, pause, hold and rehearsal: what keeps papers back, and what goes elsewhere instead. */
export const control = `
alter table company add column grace_minutes integer not null default 0 check (grace_minutes between 0 and 60),
  add column paused_at timestamptz, add column paused_by text, add column pause_reason text not null default '',
  add column rehearsal_since timestamptz, add column rehearsal_by text, add column rehearsal_address text not null default '';
alter table send_run add column goes_at timestamptz, add column taken_back_by text, add column stopped_by text;
update send_run set goes_at = started_at;
alter table send_run alter column goes_at set not null;
alter table dispatch add column held boolean not null default false;
drop index dispatch_due;
create index dispatch_due on dispatch (next_try_at) where state = 'waiting' and channel = 'email' and ready and not held;
create index dispatch_tray on dispatch (number) where state = 'waiting' and channel = 'paper';
create sequence rehearsal_number;
create table rehearsal_paper (
  id integer generated always as identity primary key,
  number text not null unique,
  paper_id integer not null references paper,
  content jsonb not null,
  stationery_id integer not null references stationery,
  cover_note_id integer not null references cover_note,
  would_go_to jsonb not null,
  sent_to text not null,
  made_at timestamptz not null,
  made_by text not null,
  sent_at timestamptz,
  last_reply text
);
create index rehearsal_unsent on rehearsal_paper (id) where sent_at is null;
`
