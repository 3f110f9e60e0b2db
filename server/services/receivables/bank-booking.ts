import { Refusal } from '../../../core/errors'
import { groupBy } from '../../../core/group'
import { Decimal } from '../../../core/money/decimal'
import type { MovementState } from '../../../core/receivables/movement-states'
import type { Settlement } from '../../../core/receivables/settle'
import { asWritten, toldRefusal, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { json, inTransaction } from '../../db/connection'
import { moveRows } from '../../db/move'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { movements } from './bank'
import { Matcher, type Proposal } from './bank-match'
import { sureOf, nextToBook, lockEntry, lockOpenEntries, keepProposals } from './bank-queries'
import { bookPayment } from './payments'
import { type Principal, inTheNameOf } from '../people/principal'

/*
 * Books movements of a bank file after a look: the sure ones by a job, one transaction each, others as a person
 * decides; sets aside what is none of ours; matches once more with what is open now.
 * Dies half-way: what is booked stays, the rest still waits to be booked.
 */

/**
 * Has the sure movements of a file booked that a person has looked at: all of them, or those named. @returns
 * how many
 */
export async function bookSure(
  fileId: number,
  ids: readonly number[] | null,
  who: Principal,
): Promise<number> {
  return inTransaction(async () => {
    const sure = await sureOf(fileId, ids)
    const taken = await moveRows(
      movements,
      'say go',
      sure.map(({ id }) => id),
      { decided_by: who.name, decided_at: clock.now() },
    )
    if (taken.length === 0) throw new Refusal('nothing-sure')
    await addJob('book-bank-entries', { fileId })
    publish('payment')
    return taken.length
  })
}

/** Books what waits, one transaction each; what cannot be booked any more is unsure again, with the reason. */
export async function bookWaiting(fileId: number): Promise<void> {
  for (;;) {
    const waiting = await nextToBook(fileId)
    if (waiting.length === 0) return
    for (const { id, by } of waiting) {
      try {
        await inTransaction(() => bookOne(id, ['to book'], null, inTheNameOf(by)))
      } catch (error) {
        if (!(error instanceof Refusal)) throw error
        await moveRows(movements, 'find in the way', [id], {
          reason: json(toldRefusal(error)),
        })
      }
    }
    publish('payment')
  }
}

/** Books one movement as a person decided it. @throws Refusal "booked-already" and those of a payment */
export async function bookEntry(
  id: number,
  decided: { customerId: number; settle: Settlement[] },
  who: Principal,
): Promise<number> {
  return inTransaction(() => bookOne(id, ['sure', 'unsure', 'strange', 'set aside'], decided, who))
}

async function bookOne(
  id: number,
  from: MovementState[],
  decided: { customerId: number; settle: Settlement[] } | null,
  who: Principal,
): Promise<number> {
  const entry = await lockEntry(id)
  if (!entry) throw new Refusal('no-such-entry', { status: 404 })
  if (!from.includes(entry.state))
    throw entry.state === 'booked'
      ? new Refusal('booked-already', { values: { by: entry.decidedBy! } })
      : new Refusal('booked-already/now')
  const { customerId, settle } = decided ?? {
    customerId: entry.proposal.customerId!,
    settle: entry.proposal.settlements.map(({ documentId, amount, discount, writeOff }) => ({
      documentId,
      amount,
      discount,
      writeOff,
    })),
  }
  const amount = new Decimal(entry.amount)
  const paymentId = await bookPayment(
    {
      direction: amount.isNegative() ? 'out' : 'in',
      customerId,
      date: entry.bookedOn,
      method: 'bank transfer',
      amount: amount.abs().toString(),
      currency: entry.currency,
      reference: (entry.reference || entry.text || entry.name).slice(0, 140),
      settle,
      another: true,
    },
    who,
  )
  await moveRows(movements, 'book', [id], {
    payment_id: paymentId,
    decided_by: who.name,
    decided_at: clock.now(),
  })
  return paymentId
}

/** Sets movements aside that are none of ours (fees, transfers), with the reason, or takes them up again. */
export async function setAside(ids: readonly number[], reason: string, who: Principal): Promise<number[]> {
  return inTransaction(async () => {
    const done = await moveRows(movements, 'set aside', ids, {
      reason: json(asWritten(reason)),
      decided_by: who.name,
      decided_at: clock.now(),
    })
    publish('payment')
    return done.map((row) => row.id)
  })
}

/** Matches what is not booked yet once more, with what is open now. @returns how many changed */
export async function matchAgain(fileId: number): Promise<number> {
  return inTransaction(async () => {
    const open = await lockOpenEntries(fileId)
    const matcher = new Matcher(fileId)
    const found: { id: number; state: 'sure' | 'unsure' | 'strange'; reason: Told; proposal: Proposal }[] = []
    for (let at = 0; at < open.length; at += 500) {
      const batch = open.slice(at, at + 500)
      const matches = await matcher.match(batch.map((entry) => ({ ...entry, key: '' })))
      batch.forEach((entry, index) => {
        const { certainty, reason, proposal } = matches[index]!
        if (certainty !== entry.state || reason.words !== entry.reason.words)
          found.push({ id: entry.id, state: certainty, reason, proposal })
      })
    }
    for (const [state, own] of groupBy(found, (one) => one.state))
      await moveRows(
        movements,
        `match ${state}`,
        own.map((one) => one.id),
      )
    await keepProposals(found)
    publish('payment')
    return found.length
  })
}
