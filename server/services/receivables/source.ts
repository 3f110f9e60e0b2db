import { kindFacts, receiptKind, type DocumentKind } from '../../../core/documents/kinds'
import type { PaymentFacts } from '../../../core/documents/facts'
import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { contextOf, houseContext } from '../documents/found-settings'
import { type Addressing, type PaperContext } from '../documents/paper-context'
import { prepareByHand, type PreparedByHand } from '../documents/prepare-by-hand'
import type { Source } from '../documents/sources'
import { paymentRows, settledOfPayments, paymentDirection } from './queries'
import { contactsOfCustomers } from '../customers/queries'
import type { Principal } from '../people/principal'

/**
 * Loads what the receipts of payments are made of, with a fixed number of queries. Payments that do not exist
 * are left out.
 */
export async function loadPaymentContexts(
  _kind: DocumentKind,
  paymentIds: readonly number[],
  addressing: Addressing,
): Promise<Map<number, PaperContext>> {
  const payments = await paymentRows(paymentIds)
  const settled = groupBy(await settledOfPayments(paymentIds), (one) => one.paymentId)
  const contacts = groupBy(
    await contactsOfCustomers([...new Set(payments.map((one) => one.customerId))]),
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
export async function prepareReceipt(paymentId: number, who: Principal): Promise<PreparedByHand> {
  const payment = await paymentDirection(paymentId)
  if (!payment) throw new Refusal('no-such-payment', { status: 404 })
  return (await prepareByHand(receiptKind(payment.direction), [paymentId], who))[0]!.result
}
