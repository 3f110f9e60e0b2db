-- Emails that are too large may go in several.
alter table company drop constraint company_too_large_check;
alter table company add constraint company_too_large_check check (too_large in ('stop', 'link', 'split'));

-- of several emails over which the files of one were spread, which this is, and its files
alter table dispatch add column part jsonb;
