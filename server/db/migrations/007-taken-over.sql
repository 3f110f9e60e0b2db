-- What was open in the program before this one: documents with numbers that are of no series of the house, and what
-- that program said of them in sum.

alter table document alter column series_id drop not null;
alter table document alter column counter drop not null;
alter table document add constraint document_numbered check (num_nulls(series_id, counter) in (0, 2));
create index document_taken_over on document (currency, kind) where series_id is null;
alter table company add column trial_balance jsonb not null default '{}';
