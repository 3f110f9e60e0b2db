-- How often the offer of an email was followed, where its banner says that this is counted. Who did is not kept.
create table followed_offer (
  id integer primary key generated always as identity,
  dispatch_id integer not null references dispatch,
  -- where it leads
  href text not null,
  followed integer not null default 0,
  -- by programs that look into links
  by_machine integer not null default 0,
  first_followed_at timestamptz,
  last_followed_at timestamptz,
  unique (dispatch_id, href)
);
