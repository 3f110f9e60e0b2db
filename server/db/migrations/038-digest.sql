-- One email a day to colleagues with what went.
alter table company add column digest jsonb;
alter table company add column digest_until timestamptz;
