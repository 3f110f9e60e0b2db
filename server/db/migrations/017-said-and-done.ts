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
`
