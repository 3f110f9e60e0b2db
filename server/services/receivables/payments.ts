import { type Day } from '../../../core/documents/days'
import type { PaymentMethod } from '../../../core/documents/facts'
import { receiptKind } from '../../../core/documents/kinds'
import { badInput, Refusal } from '../../../core/errors'
import { Decimal, moneyText, type DecimalText } from '../../../core/money/decimal'
import { checkSettlements, settledBy, type Settlement } from '../../../core/receivables/settle'
import type { EventFacts } from '../../../core/routines/routine'
import { joined, told, toldDay, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Allocation, HouseEvent, Payment } from '../../db/models'
import { addJob } from '../../queue/add'
import { markStale } from '../outbox/stale'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import {
  payingCustomer,
  brandCodeOf,
  type LockedItem,
  lockPayment,
  lowerPaymentOpen,
  lowerOpenItem,
  clearPromise,
  paymentToAllocate,
} from './payments-queries'
import { lockItems, checkDate, refuseTwice, checkItems } from './payment-checks'
import type { Principal } from '../people/principal'

/*
 * Payments that came in and refunds that went out: the entry, what it settles and the open amounts in one
 * transaction.
 * Called from Accounts, a document and the bank file. Dies half-way: everything is undone. Nothing is ever
 * changed or deleted: undo is a counter-entry.
 * Refuses: more than is open or was paid, other customers' or void documents, closed periods, a payment that
 * is booked already unless it is said to be another.
 */

export interface NewPayment {
  direction: 'in' | 'out'
  customerId: number
  /** The day the money moved. */
  date: Day
  method: PaymentMethod
  amount: DecimalText
  currency: string
  reference: string
  settle: Settlement[]
  /** Payments on account that a refund gives back. */
  giveBack?: { paymentId: number; amount: DecimalText }[]
  /** A person has said that it is another payment, not the one that is booked already. */
  another?: boolean
}

/** Books a payment or refund in a transaction of its own. @throws Refusal */
export async function recordPayment(payment: NewPayment, who: Principal): Promise<number> {
  return inTransaction(() => bookPayment(payment, who))
}

/**
 * The same in the caller's transaction. With `tellRoutines` false no routine looks at it: what was booked in another
 * program gets no receipt.
 */
export async function bookPayment(
  payment: NewPayment,
  who: Principal,
  { tellRoutines = true } = {},
): Promise<number> {
  // open items before customers, as issuing locks them
  const items = await lockItems(payment.settle.map((line) => line.documentId))
  const customer = await payingCustomer(payment.customerId)
  if (!customer) throw new Refusal('no-such-customer', { status: 404, about: { field: 'customerId' } })
  if (new Decimal(payment.amount).lte(0)) throw badInput('no-amount', 'amount')
  await checkDate(payment.date)
  if (!payment.another) await refuseTwice(payment, customer.name)

  checkItems(payment, items, customer)
  checkSettlements(payment.amount, payment.currency, payment.settle, items)
  const rest = new Decimal(payment.amount).minus(settledBy(payment.settle))
  const given = await giveBack(payment, rest, customer.name)
  const brandId = items.get(payment.settle[0]?.documentId ?? 0)?.brandId ?? customer.brandId
  const now = clock.now()
  const { id } = await Payment.create({
    direction: payment.direction,
    customerId: customer.id,
    brandId,
    date: payment.date,
    method: payment.method,
    amount: money(payment.amount, payment),
    currency: payment.currency,
    reference: payment.reference,
    open: money(rest.minus(given), payment),
    madeAt: now,
    madeBy: who.name,
  })
  for (const line of payment.settle) await settle(id, payment, line, items.get(line.documentId)!, who)
  for (const back of payment.giveBack ?? [])
    await Allocation.create({
      paymentId: id,
      toPaymentId: back.paymentId,
      kind: 'payment',
      amount: back.amount,
      currency: payment.currency,
      at: now,
      by: who.name,
    })

  const facts: EventFacts = {
    receipt: receiptKind(payment.direction),
    order: '',
    total: money(payment.amount, payment),
    net: money(payment.amount, payment),
    currency: payment.currency,
    brand: (await brandCodeOf(brandId))!.code,
    customer: customer.number,
    group: customer.group,
    country: customer.country,
    salesperson: customer.salesperson,
    items: [],
  }
  const event = await HouseEvent.create({
    kind: 'payment recorded',
    sourceId: id,
    facts,
    schemaVersion: 3,
    at: now,
    actor: who.name,
    lookedAt: tellRoutines ? null : now,
  })
  if (tellRoutines) await addJob('look-at-events', { eventIds: [event.id] })
  await noteAll(
    payment.settle.map((line) => ({
      documentId: line.documentId,
      sourceId: items.get(line.documentId)!.sourceId,
      actor: who.name,
      ...toldSettled(payment, line),
    })),
  )
  publish('payment', [id])
  publish('register')
  return id
}

const money = (amount: Decimal | DecimalText, { currency }: { currency: string }) =>
  moneyText(amount, currency)

function toldSettled(
  { direction, method, currency, date }: NewPayment,
  { amount, discount, writeOff }: Settlement,
): Told {
  const less = [
    ...(new Decimal(discount).isZero() ? [] : [told('money/discount', { amount: discount })]),
    ...(new Decimal(writeOff).isZero() ? [] : [told('money/waived-part', { amount: writeOff })]),
  ]
  const by = told(`method/${method}`)
  return told(direction === 'in' ? 'money/paid' : 'money/refunded', {
    sum: `${amount} ${currency}`,
    day: toldDay(date),
    how: less.length === 0 ? by : told('money/with', { method: by, less: joined(less, 'list/and') }),
  })
}

/** Takes what a refund gives back off payments on account. @returns the sum */
async function giveBack(
  { direction, customerId, currency, giveBack: backs = [] }: NewPayment,
  rest: Decimal,
  name: string,
): Promise<Decimal> {
  let given = new Decimal(0)
  for (const [index, { paymentId, amount }] of backs.entries()) {
    const about = { field: `giveBack.${index}` }
    const kept = await lockPayment(paymentId)
    if (
      direction !== 'out' ||
      !kept ||
      kept.customerId !== customerId ||
      kept.currency !== currency ||
      kept.direction !== 'in'
    )
      throw new Refusal('nothing-on-account', { values: { name }, about })
    if (new Decimal(amount).lte(0) || new Decimal(amount).gt(kept.open))
      throw new Refusal('over-open/on-account', { values: { open: kept.open, currency }, about })
    await lowerPaymentOpen(paymentId, amount)
    given = given.plus(amount)
  }
  if (given.gt(rest)) throw new Refusal('over-settled/refund', { about: { field: 'giveBack' } })
  return given
}

/** Books one settlement: up to three allocations, and the open amount. */
async function settle(
  paymentId: number,
  { direction, currency }: Pick<NewPayment, 'direction' | 'currency'>,
  line: Settlement,
  item: LockedItem,
  who: Principal,
): Promise<void> {
  const sign = direction === 'in' ? 1 : -1
  const parts = [
    ['payment', line.amount],
    ['discount', line.discount],
    ['write-off', line.writeOff],
  ] as const
  for (const [kind, amount] of parts) {
    if (new Decimal(amount).isZero()) continue
    await Allocation.create({
      paymentId,
      toDocumentId: line.documentId,
      kind,
      amount: money(amount, { currency }),
      currency,
      at: clock.now(),
      by: who.name,
    })
    await lowerOpenItem(line.documentId, new Decimal(amount).times(sign).toString())
  }
  if (new Decimal(item.open).times(sign).eq(new Decimal(line.amount).plus(line.discount).plus(line.writeOff)))
    await clearPromise(line.documentId)
}

/** Books what lies on account on further documents. @throws Refusal */
export async function allocatePayment(id: number, lines: Settlement[], who: Principal): Promise<void> {
  await inTransaction(async () => {
    const items = await lockItems(lines.map((line) => line.documentId))
    const payment = await paymentToAllocate(id)
    if (!payment) throw new Refusal('no-such-payment', { status: 404 })
    if (payment.undone) throw new Refusal('undone')
    checkItems({ ...payment, settle: lines }, items, { id: payment.customerId, name: payment.name })
    if (settledBy(lines).gt(payment.open))
      throw new Refusal('over-settled/on-account', {
        values: { open: payment.open, currency: payment.currency },
        about: { field: 'settle' },
      })
    checkSettlements(payment.open, payment.currency, lines, items)
    for (const line of lines) await settle(id, payment, line, items.get(line.documentId)!, who)
    await lowerPaymentOpen(id, settledBy(lines).toString())
    await markStale('source', id)
    await noteAll(
      lines.map((line) => ({
        documentId: line.documentId,
        actor: who.name,
        ...toldSettled(payment, line),
      })),
    )
    publish('payment', [id])
    publish('register')
  })
}
