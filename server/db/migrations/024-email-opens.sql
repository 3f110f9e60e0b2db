-- Whether emails were opened, where the house counts it.

alter table company add column count_opens boolean not null default false;

-- How often an email's picture of one dot was fetched. Who fetched it is not kept.
create table email_open (
  dispatch_id integer primary key references dispatch,
  opened integer not null default 0,
  -- by programs, before anybody could have read it
  by_machine integer not null default 0,
  first_opened_at timestamptz,
  last_opened_at timestamptz
);
