-- Email texts by what they are for: a document's first email, or one that carries it once more.

alter table email_text add column purpose text not null default 'first';

alter table email_text drop constraint email_text_brand_id_kind_language_version_key;

alter table email_text
  add constraint email_text_of unique (brand_id, kind, purpose, language, version);

-- what a person writes for one email that waits is not written over what a second person wrote meanwhile
alter table dispatch add column email_revision integer not null default 0;

-- which of its words an email was last sent with
alter table mail_copy add column email_revision integer not null default 0;
