/** Payment methods that a brand's invoices say are accepted. */
export const accepted = `
alter table brand add column payment_methods jsonb not null default '[]';
`
