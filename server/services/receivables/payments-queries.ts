import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import { one, rows, run } from '../../db/connection'
import type { NewPayment } from './payments'

/* The statements of payments.ts. */

export interface LockedItem {
  id: number
  number: string
  kind: DocumentKind
  customerId: number
  brandId: number
  sourceId: number
  currency: string
  open: string
  voided: boolean
}

export const payingCustomer = (customerId: number) =>
  one<{
    id: number
    name: string
    number: string
    brandId: number
    group: string
    country: string
    salesperson: string
  }>(
    `select c.id, c.name, c.number, c.group_name "group", c.country, c.salesperson,
      coalesce(
        (select d.brand_id from document d where d.customer_id = c.id order by d.id desc limit 1),
        (select min(id) from brand)
      ) "brandId"
    from customer c
    where c.id = $customerId
    for update`,
    { customerId },
  )

export const brandCodeOf = (brandId: number) =>
  one<{ code: string }>('select code from brand where id = $brandId', { brandId })

export const shareClosedUntil = () =>
  one<{ closedUntil: Day | null }>('select closed_until::text "closedUntil" from company for share')

export const samePayment = (given: {
  customerId: number
  direction: string
  date: string
  amount: string
  currency: string
  method: string
}) =>
  one<{ at: Date; by: string }>(
    `select made_at at, made_by by
    from payment p
    where customer_id = $customerId
      and direction = $direction
      and date = $date
      and amount = $amount::numeric
      and currency = $currency
      and method = $method
      and reverses_id is null
      and not exists (select from payment r where r.reverses_id = p.id)
    order by id desc
    limit 1`,
    given,
  )

export const lockSettledItems = (documentIds: readonly number[]) =>
  rows<LockedItem>(
    `select d.id, d.number, d.kind, d.customer_id "customerId", d.brand_id "brandId", d.source_id "sourceId",
      i.currency, i.open::text open, exists (select from document_void v where v.document_id = d.id) voided
    from open_item i
    join document d on d.id = i.document_id
    where i.document_id = any($documentIds::int[])
    order by i.document_id
    for update of i`,
    { documentIds },
  )

export const lockPayment = (paymentId: number) =>
  one<{ open: string; customerId: number; currency: string; direction: string }>(
    `select open::text open, customer_id "customerId", currency, direction
    from payment
    where id = $paymentId
    for update`,
    { paymentId },
  )

export const lowerPaymentOpen = (paymentId: number, amount: string) =>
  run('update payment set open = open - $amount::numeric, version = version + 1 where id = $paymentId', {
    paymentId,
    amount,
  })

export const lowerOpenItem = (documentId: number, amount: string) =>
  run('update open_item set open = open - $amount::numeric where document_id = $documentId', {
    documentId,
    amount,
  })

/** What was waived of a document without a payment, less what of it was taken back. */
export const waivedOf = (documentId: number) =>
  one<{ waived: string }>(
    `select coalesce(sum(amount), 0)::text waived
    from allocation
    where to_document_id = $documentId and waived_on is not null`,
    { documentId },
  )

export const clearPromise = (documentId: number) =>
  run(`update open_item set promised_on = null where document_id = $documentId`, { documentId })

export const paymentToAllocate = (id: number) =>
  one<NewPayment & { open: string; name: string; undone: boolean }>(
    `select p.direction, p.customer_id "customerId", p.date::text date, p.method, p.amount::text amount,
      p.currency, p.reference, p.open::text open, c.name,
      p.reverses_id is not null or exists (select from payment r where r.reverses_id = p.id) undone
    from payment p
    join customer c on c.id = p.customer_id
    where p.id = $id
    for update of p`,
    { id },
  )

export const lockItemsOfPayment = (id: number) =>
  rows<{ documentId: number }>(
    `select document_id "documentId"
    from open_item
    where document_id in (select to_document_id from allocation where payment_id = $id)
    order by document_id
    for update`,
    { id },
  )

export const lockPaymentRow = (id: number) => run('select id from payment where id = $id for update', { id })

export const settlesOthers = (id: number, documentIds: readonly number[]) =>
  one(
    `select 1
    from allocation
    where payment_id = $id and to_document_id is not null and to_document_id <> all($documentIds::int[])`,
    { id, documentIds },
  )

export const paymentToUndo = (id: number) =>
  one<{
    direction: 'in' | 'out'
    amount: string
    currency: string
    reversesId: number | null
    undone: boolean
  }>(
    `select direction, amount::text amount, currency, reverses_id "reversesId",
      exists (select from payment r where r.reverses_id = p.id) undone
    from payment p
    where id = $id`,
    { id },
  )

export const returnedOf = (id: number) =>
  one('select id from allocation where to_payment_id = $id group by id having sum(amount) <> 0', { id })

export const insertReversal = (given: {
  id: number
  today: string
  reason: string
  now: Date
  actor: string
}) =>
  one<{ id: number }>(
    `insert into payment (
      direction, customer_id, brand_id, date, method, amount, currency, reference, open, reverses_id,
      made_at, made_by
    )
    select direction, customer_id, brand_id, $today, method, -amount, currency, $reason, 0, id, $now, $actor
    from payment
    where id = $id
    returning id`,
    given,
  )

export const reverseAllocations = (given: { paymentId: number; counter: number; now: Date; actor: string }) =>
  rows<{ documentId: number | null; toPaymentId: number | null; amount: string }>(
    `insert into allocation (payment_id, to_document_id, to_payment_id, kind, amount, currency, at, by)
    select $counter, to_document_id, to_payment_id, kind, -amount, currency, $now, $actor
    from allocation
    where payment_id = $paymentId
    returning to_document_id "documentId", to_payment_id "toPaymentId", (-amount)::text amount`,
    given,
  )

export const raiseOpenItem = (documentId: number, amount: string) =>
  run('update open_item set open = open + $amount::numeric where document_id = $documentId', {
    documentId,
    amount,
  })

export const raisePaymentOpen = (paymentId: number | null, amount: string) =>
  run('update payment set open = open + $amount::numeric, version = version + 1 where id = $paymentId', {
    paymentId,
    amount,
  })

export const clearPaymentOpen = (id: number) =>
  run('update payment set open = 0, version = version + 1 where id = $id', { id })
