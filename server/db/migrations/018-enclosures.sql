-- Files that go along with documents, and the largest email that a mail account takes.

create table enclosure (
  id integer primary key generated always as identity,
  name text not null,
  sha256 text not null references file,
  kinds jsonb not null default '[]',
  brand_id integer references brand,
  group_id integer references customer_group,
  customer_id integer references customer,
  source_id integer references source,
  prepared_id integer references prepared_document,
  language text,
  from_day date,
  until_day date,
  goes boolean not null default true,
  added_by text not null,
  added_at timestamptz not null,
  version integer not null default 1,
  check (num_nonnulls(customer_id, source_id, prepared_id) <= 1)
);
create index enclosure_of_customer on enclosure (customer_id) where customer_id is not null;
create index enclosure_of_source on enclosure (source_id) where source_id is not null;
create index enclosure_of_prepared on enclosure (prepared_id) where prepared_id is not null;

alter table mail_account add column most_megabytes integer not null default 20 check (most_megabytes > 0);

-- what was written for one email says which files go along with it
update prepared_document set own_email = own_email || '{"leftOut": [], "added": []}' where own_email is not null;
update dispatch set own_email = own_email || '{"leftOut": [], "added": []}' where own_email is not null;
