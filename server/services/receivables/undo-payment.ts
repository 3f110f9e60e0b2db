import { dayInZone } from '../../../core/documents/days'
import { Refusal } from '../../../core/errors'
import { Decimal } from '../../../core/money/decimal'
import { raised, told, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { behindSavepoint, inTransaction } from '../../db/connection'
import { undoPrepared } from '../documents/prepare-by-hand'
import { noteAll } from '../history/history'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { checkDate } from './payment-checks'
import {
  lockItemsOfPayment,
  lockPaymentRow,
  settlesOthers,
  paymentToUndo,
  returnedOf,
  insertReversal,
  reverseAllocations,
  raiseOpenItem,
  raisePaymentOpen,
  clearPaymentOpen,
} from './payments-queries'
import type { Principal } from '../people/principal'

/*
 * Taking a payment back: a counter-entry, and everything it settled is open again. Nothing is deleted.
 * Called from Accounts. Dies half-way: everything is undone.
 */

/**
 * Takes a payment or refund back by a counter-entry of today's: what it settled is open again. Its receipt,
 * if issued, stays; a prepared one is dropped.
 * @throws Refusal "undone", "given-back"
 */
export async function undoPayment(id: number, reason: string, who: Principal): Promise<number> {
  return inTransaction(async () => {
    while (!(await lockWithItems(id)));
    // a look of its own afterwards: what waited for the lock would see no counter-entry made meanwhile
    const payment = await paymentToUndo(id)
    if (!payment) throw new Refusal('no-such-payment', { status: 404 })
    if (payment.undone || payment.reversesId !== null)
      throw new Refusal(payment.undone ? 'undone/already' : 'undone/counter-entry')
    if (await returnedOf(id)) throw new Refusal('given-back')
    const { timeZone } = await company()
    const today = dayInZone(clock.now(), timeZone)
    await checkDate(today)
    const counter = (await insertReversal({ id, today, reason, now: clock.now(), actor: who.name }))!.id
    const back = await reverseAllocations({ paymentId: id, counter, now: clock.now(), actor: who.name })
    const documents = [...new Set(back.flatMap((line) => line.documentId ?? []))].sort((a, b) => a - b)
    const sign = payment.direction === 'in' ? 1 : -1
    for (const line of back) {
      if (line.documentId !== null)
        await raiseOpenItem(line.documentId, new Decimal(line.amount).times(sign).toString())
      else await raisePaymentOpen(line.toPaymentId, line.amount)
    }
    await clearPaymentOpen(id)
    await undoPrepared([id], (kind) => told('money/receipt-dropped', { kind: raised(toldKind(kind)) }))
    await noteAll(
      documents.map((documentId) => ({
        documentId,
        actor: who.name,
        ...told(payment.direction === 'in' ? 'money/payment-back' : 'money/refund-back', {
          sum: `${payment.amount} ${payment.currency}`,
          reason,
        }),
      })),
    )
    publish('payment', [id])
    publish('register')
    return counter
  })
}

/**
 * Locks the documents that a payment settles, then the payment, as everybody does who books on them. When it was
 * booked on a further document while this waited, nothing stays locked: locking that one now would be out of order,
 * and the two would wait for each other.
 * @returns whether all are locked
 */
async function lockWithItems(id: number): Promise<boolean> {
  const done = behindSavepoint(async () => {
    const items = await lockItemsOfPayment(id)
    await lockPaymentRow(id)
    const ids = items.map((item) => item.documentId)
    if (await settlesOthers(id, ids)) throw new BookedMeanwhile()
  })
  return done.then(
    () => true,
    (error: unknown) => {
      if (error instanceof BookedMeanwhile) return false
      throw error
    },
  )
}

class BookedMeanwhile extends Error {}
