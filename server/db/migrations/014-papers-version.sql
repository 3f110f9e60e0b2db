-- What of the whole house stands on documents (standing texts, own fields, tax, rates, branches, groups) is counted, so
-- that a document which is prepared while one of them is saved is built once more.

alter table company add column papers_version integer not null default 1;
