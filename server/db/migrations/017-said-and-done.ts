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
  add column gather_key text;
create index dispatch_gathering on dispatch (gather_key) where gather_key is not null;
create index dispatch_held_for on dispatch (id) where held_for is not null;

alter table send_run
  add column despite boolean not null default false,
  add column without_address boolean not null default false;
create index send_run_newest on send_run (started_at desc, id desc);
`
