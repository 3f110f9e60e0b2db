-- Email texts that are being tried: where their emails go meanwhile, by kind of document.
alter table brand add column text_rehearsals jsonb not null default '{}';
