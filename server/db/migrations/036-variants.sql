-- Email texts and designs of their own for some customers, and what one document is made with this once.
create table variant (
  id integer primary key generated always as identity,
  name text not null unique,
  retired boolean not null default false,
  version integer not null default 1
);
alter table design add column variant_id integer references variant;
alter table design add column given_up boolean not null default false;
alter table design drop constraint design_brand_id_kind_version_key;
alter table design add constraint design_of unique nulls not distinct (brand_id, kind, variant_id, version);
alter table email_text add column variant_id integer references variant;
alter table email_text add column given_up boolean not null default false;
alter table email_text drop constraint email_text_of;
alter table email_text add constraint email_text_of
  unique nulls not distinct (brand_id, kind, purpose, language, variant_id, version);
alter table prepared_document add column as_once jsonb;
