export const sending = `
create table dispatch (
  id integer generated always as identity primary key,
  channel text not null check (channel in ('email', 'paper')),
  state text not null check (state in ('waiting', 'claimed', 'handing over', 'on the way', 'arrived', 'stuck', 'closed')),
  customer_id integer not null references customer,
  customer_name text not null,
  brand_id integer not null references brand,
  cover_note_id integer not null references cover_note,
  to_role text not null,
  to_addresses jsonb,
  is_copy boolean not null default false,
  number text not null,
  total numeric(14,2) not null,
  currency text not null,
  send_to text not null default '',
  created_at timestamptz not null,
  created_by text not null,
  ready boolean not null default false,
  not_before timestamptz not null,
  next_try_at timestamptz not null,
  attempts integer not null default 0,
  claim_token uuid,
  claimed_by text,
  lease_until timestamptz,
  message_id text not null unique,
  since timestamptz not null,
  handed_over_at timestamptz,
  arrived_at timestamptz,
  arrived_how text,
  stuck_cause text,
  last_reply text,
  noticed boolean not null default false
);
create index dispatch_waiting on dispatch (since, id) where state in ('waiting', 'claimed', 'handing over');
create index dispatch_due on dispatch (next_try_at) where state = 'waiting' and channel = 'email' and ready;
create index dispatch_leased on dispatch (lease_until) where state in ('claimed', 'handing over');
create index dispatch_on_the_way on dispatch (since, id) where state = 'on the way';
create index dispatch_presume on dispatch (handed_over_at) where state = 'on the way';
create index dispatch_arrived on dispatch (arrived_at desc, id desc) where state = 'arrived';
create index dispatch_stuck on dispatch (since, id) where state = 'stuck';
create index dispatch_unnoticed on dispatch (id) where state = 'stuck' and not noticed;
create index on dispatch (customer_id);

create table dispatch_document (
  dispatch_id integer not null references dispatch,
  document_id integer not null references document,
  primary key (dispatch_id, document_id)
);
create index on dispatch_document (document_id);

create table dispatch_recipient (
  dispatch_id integer not null references dispatch,
  address text not null,
  name text not null,
  placed text not null,
  source text not null,
  outcome text not null,
  reply text not null default '',
  at timestamptz not null,
  primary key (dispatch_id, address)
);

create table mail_copy (
  dispatch_id integer primary key references dispatch,
  message_id text not null,
  sender text not null,
  reply_to text not null,
  recipients text not null,
  subject text not null,
  text text not null,
  html text not null,
  files jsonb not null,
  sent_at timestamptz not null
);

create table trail (
  id integer generated always as identity primary key,
  at timestamptz not null,
  actor text not null,
  order_id integer references sales_order,
  paper_id integer references paper,
  document_id integer references document,
  dispatch_id integer references dispatch,
  words text not null,
  detail jsonb
);
create index on trail (order_id) where order_id is not null;
create index on trail (paper_id) where paper_id is not null;
create index on trail (document_id) where document_id is not null;
create index on trail (dispatch_id) where dispatch_id is not null;

create table send_run (
  id integer generated always as identity primary key,
  key text not null unique,
  started_by text not null,
  started_by_id integer not null references staff,
  started_at timestamptz not null,
  ended_at timestamptz,
  stop_asked boolean not null default false
);
create index send_run_open on send_run (id) where ended_at is null;

create table send_run_paper (
  run_id integer not null references send_run,
  paper_id integer not null references paper,
  revision integer not null,
  outcome text,
  reason text,
  document_id integer references document,
  primary key (run_id, paper_id)
);
create index send_run_paper_open on send_run_paper (run_id) where outcome is null;

create table worker (
  id text primary key,
  started_at timestamptz not null,
  beat_at timestamptz not null,
  queue_workers text[] not null default '{}'
);
`
