/** Movements from a CSV belong to their import; a movement's key is a digest, so that none is too long to be kept; an import says on which row its columns are named. */
export const bankMovements = `
alter table bank_file drop constraint bank_file_sha256_key;
alter table bank_file add column import_id integer unique references import;
create unique index bank_file_read_once on bank_file (sha256) where import_id is null;
update bank_entry set key = encode(sha256(convert_to(booked_on || '|' || trim_scale(amount)::text || substring(regexp_replace(key, '\\|\\d+$', '') from '^[^|]*\\|[^|]*(\\|.*)$'), 'UTF8')), 'hex') || '|' || substring(key from '\\|(\\d+)$');
alter table import add column heading integer not null default 0;
alter table import add column as_before boolean not null default false;
`
