-- Pictures of items, and files that go along with what bills an item, as links with a limit where wanted.
alter table item add column picture text references file;
alter table enclosure add column item_id integer references item;
alter table enclosure add column most_downloads integer check (most_downloads > 0);
alter table enclosure add column good_days integer check (good_days > 0);
alter table enclosure drop constraint enclosure_check;
alter table enclosure add constraint enclosure_check
  check (num_nonnulls(customer_id, source_id, prepared_id, item_id) <= 1);
create index enclosure_of_item on enclosure (item_id) where item_id is not null;
alter table signed_link add column most_opened integer;
alter table signed_link add column of_item boolean not null default false;
