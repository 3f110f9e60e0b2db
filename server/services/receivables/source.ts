import { kindFacts, receiptKind, type DocumentKind } from '../../../core/documents/kinds'
import type { PaymentFacts, SettledFacts } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import type { ContactFacts } from '../../../core/preferences/recipients'
import { one, rows } from '../../db/connection'
import {
  contextOf,
  houseContext,
  type Addressing,
  type PaperContext,
  type SubjectRow,
} from '../documents/found-settings'
import { prepareByHand, type PreparedByHand } from '../documents/prepare-by-hand'
import type { Source } from '../documents/sources'

interface PaymentRow extends SubjectRow {
  direction: 'in' | 'out'
  day: string
  method: PaymentFacts['method']
  amount: string
  paid: string
  onAccount: string
}

/**
 * Loads what the receipts of payments are made of, with a fixed number of queries. Payments that do not exist
 * are left out.
 */
export async function loadPaymentContexts(
  _kind: DocumentKind,
  paymentIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const payments = await rows<PaymentRow>(
    `select p.id "sourceId", p.direction, p.date::text "day", p.method, p.amount::text amount,
      p.open::text "onAccount", p.reference, null::int "creditsId",
      null::int "replacesId", null "wantedDate", p.date::text "eventDay", '' number, p.date::text "date",
      null "suppliedOn", p.currency, false "pricesIncludeTax", null "customerNote", '0' prepaid,
      '[]'::jsonb adjustments, p.brand_id "brandId", p.version, 1 revision, p.amount::text total,
      c.id "customerId", c.number "customerNumber", c.name "customerName", c.tax_number "taxNumber", c.terms,
      c.language "customerLanguage", c.billing, c.preferences, c.version "customerVersion", 'domestic' treatment
    from payment p
    join customer c on c.id = p.customer_id
    where p.id = any($1::int[])`,
    [paymentIds],
  )
  const settled = groupBy(
    await rows<SettledFacts & { paymentId: number }>(
      `select a.payment_id "paymentId", d.kind, d.number, d.date::text date, i.open::text "left",
        coalesce(sum(a.amount) filter (where a.kind = 'payment'), 0)::text amount,
        coalesce(sum(a.amount) filter (where a.kind = 'discount'), 0)::text discount,
        coalesce(sum(a.amount) filter (where a.kind = 'write-off'), 0)::text "writtenOff"
      from allocation a
      join document d on d.id = a.to_document_id
      join open_item i on i.document_id = d.id
      where a.payment_id = any($1::int[])
      group by a.payment_id, d.id, i.open
      order by d.date, d.id`,
      [paymentIds],
    ),
    (one) => one.paymentId,
  )
  const contacts = groupBy(
    await rows<ContactFacts & { customerId: number }>(
      `select customer_id "customerId", name, email, role
      from contact
      where customer_id = any($1::int[])
      order by id`,
      [[...new Set(payments.map((one) => one.customerId))]],
    ),
    (contact) => contact.customerId,
  )
  const contexts = new Map<number, PaperContext>()
  for (const [direction, own] of groupBy(payments, (payment) => payment.direction)) {
    const kind = receiptKind(direction)
    const house = await houseContext(kind)
    for (const row of own) {
      const payment: PaymentFacts = {
        direction,
        date: row.day,
        method: row.method,
        amount: row.amount,
        currency: row.currency,
        reference: row.reference ?? '',
        onAccount: row.onAccount,
        settles: (settled.get(row.sourceId) ?? []).map(({ paymentId: _, ...one }) => one),
      }
      contexts.set(
        row.sourceId,
        contextOf(
          kind,
          { ...row, payment },
          [],
          contacts.get(row.customerId) ?? [],
          { ...addressing, role: addressing.role ?? kindFacts[kind].to },
          house,
        ),
      )
    }
  }
  return contexts
}

/** A payment or refund as the source of its receipt. */
export const paymentSource: Source = { table: 'payment', load: loadPaymentContexts }

/** The receipt of a payment or refund, prepared by hand. @throws Refusal "no-such-payment" */
export async function prepareReceipt(paymentId: number, actor: string): Promise<PreparedByHand> {
  const payment = await one<{ direction: 'in' | 'out' }>('select direction from payment where id = $1', [
    paymentId,
  ])
  if (!payment) throw new Refusal('no-such-payment', 'That payment does not exist.', { status: 404 })
  return (await prepareByHand(receiptKind(payment.direction), [paymentId], actor))[0]!.result
}
