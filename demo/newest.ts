import { one } from '../server/db/connection'

/** The newest invoice of a customer, by the customer's number. */
export const newestInvoiceOf = (number: string) =>
  one<{ id: number }>(
    `select d.id
    from document d
    join customer c on c.id = d.customer_id
    where c.number = $number and d.kind = 'invoice'
    order by d.id desc
    limit 1`,
    { number },
  )
