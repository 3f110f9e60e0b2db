/** A second kind of document, routines with copies and sending hours, order fields, wishes as sentences. */
export const kinds = `
alter table document alter column due_date drop not null;
alter table sales_order add column revision integer not null default 1, add column fields jsonb not null default '{}';
alter table company add column order_fields jsonb not null default '[]';
alter table paper add column copy_to jsonb not null default '[]', add column hours jsonb;
alter table dispatch add column copy_to jsonb not null default '[]';
alter table event add column only_routine integer references routine;
create index event_of_status on event (at) where kind = 'order status';
update paper set source = source || '{"kind": "invoice"}' where not source ? 'kind';
update customer set wishes = (select jsonb_object_agg(kind, jsonb_build_object('channel', channel)) from jsonb_each(wishes) as w (kind, channel)) where wishes <> '{}';
alter table customer add constraint wishes_are_sentences check (jsonb_typeof(wishes) = 'object');
create index customer_name on customer (name, id);
`
