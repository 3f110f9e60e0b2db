/** A Send of sales that are paid at once: by which method. */
export const paidAtOnce = `
alter table send_run add column paid_by text;
`
