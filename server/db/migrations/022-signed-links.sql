-- Files of an email that are had by a link instead of being in it.

alter table company add column link_days integer not null default 30 check (link_days between 1 and 730);

-- what becomes of an email that is larger than its mail account takes
alter table company add column too_large text not null default 'stop' check (too_large in ('stop', 'link'));

-- what a letter costs that an email saves, in the house's currency
alter table company add column postage numeric not null default 0 check (postage >= 0);

-- what links ask this customer for before they give anything; empty: nothing
alter table customer add column link_code text not null default '';

-- How the files of a kind of document travel to a customer: attached, by a link, or both.
create function attach_for(c customer, kind text) returns text language sql stable as $fn$
  select coalesce(
    c.preferences -> kind ->> 'attach',
    (select g.preferences -> kind ->> 'attach' from customer_group g where g.name = c.group_name),
    (select h.preferences -> kind ->> 'attach' from company h),
    'attached'
  )
$fn$;

-- A link to a file of one email. Its address is made from the id and signed, and never kept.
create table signed_link (
  id integer primary key generated always as identity,
  dispatch_id integer not null references dispatch,
  sha256 text not null references file,
  name text not null,
  -- the document whose PDF it is; null of what went along with one
  document_id integer references document,
  made_at timestamptz not null,
  -- the last day on which it is good
  until date not null,
  ended_at timestamptz,
  ended_by text,
  wrong_codes integer not null default 0,
  opened integer not null default 0,
  first_opened_at timestamptz,
  last_opened_at timestamptz
);
create unique index signed_link_of on signed_link (dispatch_id, sha256) where ended_at is null;
create index signed_link_document on signed_link (document_id);
