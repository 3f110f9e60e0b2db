-- Emails that tell how an order stands, with no document: what customers read of a status.
alter table company add column status_words jsonb not null default '{}';
