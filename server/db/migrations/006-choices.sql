-- What a house chooses: kinds of document that it does not use, which status may follow which, brands that are not
-- used any more, and where a person begins after signing in.

alter table company add column kinds_off jsonb not null default '[]';
alter table company add column status_steps jsonb not null default '{}';
alter table brand add column retired_at timestamptz;
alter table staff add column start_page text not null default '';

-- How many emails a mail account takes; the rest waits its turn, in slots of a minute that are given out once.
alter table mail_account add column per_minute integer check (per_minute > 0);
alter table mail_account add column per_hour integer check (per_hour > 0);
alter table mail_account add column per_day integer check (per_day > 0);

create table mail_slot (
  mail_account_id integer not null references mail_account on delete cascade,
  minute timestamptz not null,
  emails integer not null check (emails > 0),
  primary key (mail_account_id, minute)
);

alter table dispatch add column slot_at timestamptz;
