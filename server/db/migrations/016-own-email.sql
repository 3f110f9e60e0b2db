-- What a person wrote for this one email: subject, text with its fields, further copies.

alter table prepared_document add column own_email jsonb;

alter table dispatch add column own_email jsonb;
