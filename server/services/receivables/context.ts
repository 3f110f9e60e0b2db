import { kindFacts, receiptKind } from '../../../core/documents/kinds'
import type { PaymentFacts, SettledFacts } from '../../../core/documents/facts'
import { groupBy } from '../../../core/group'
import type { ContactFacts } from '../../../core/wishes/recipients'
import { rows } from '../../db/connection'
import {
  contextOf,
  houseContext,
  type Addressing,
  type PaperContext,
  type SubjectRow,
} from '../documents/context'

interface PaymentRow extends SubjectRow {
  paymentId: number
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
  paymentIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const payments = await rows<PaymentRow>(
    `select p.id "paymentId", p.direction, p.date::text "day", p.method, p.amount::text amount,
      p.open::text "onAccount", p.reference, null::int id, null::int "billId", null::int "creditsId",
      null::int "replacesId", null "wishedDate", p.date::text "eventDay", '' number, p.date::text "date",
      null "suppliedOn", p.currency, false "pricesIncludeTax", null "customerNote", '0' prepaid,
      '[]'::jsonb adjustments, p.brand_id "brandId", p.version, 1 revision, p.amount::text total,
      c.id "customerId", c.number "customerNumber", c.name "customerName", c.tax_number "taxNumber", c.terms,
      c.language "customerLanguage", c.billing, c.wishes, c.version "customerVersion", 'domestic' treatment
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
        settles: (settled.get(row.paymentId) ?? []).map(({ paymentId: _, ...one }) => one),
      }
      contexts.set(
        row.paymentId,
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
