-- What a customer needs on invoices, and invoices that are held until their order has it.

alter table customer add column needs jsonb not null default '{"reference": false, "fields": []}';

-- what follows once nothing is missing any more; null where nothing is
alter table prepared_document add column once_complete text check (once_complete in ('check', 'go'));
