import { badInput, Refusal } from '../../../core/errors'
import { type DocumentKind, kindFacts } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { isAddress } from '../../../core/preferences/recipients'
import { joined, raised, told, toldKind, toldRefusal, type Told } from '../../../core/said/told'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../history/history'
import { movePrepared } from './move'
import { ClaimLost, keepDraft, type Prepared } from './prepare'
import { makeAll } from './make-papers'
import { byKind, lockSources, sourceOf } from './sources'
import { addressOnce, aloneInPlace, preparedOf, releaseClaims } from './queries'
import { type Principal, theHouse } from '../people/principal'
import { lookForSecond } from './second-look'

/*
 * What a person does with papers before they are issued: have one prepared, put it back, take it off the list.
 * Called by the Line and by an order. Refuses what is already issued; nothing here draws a number.
 */

/** What came of one source; one that is refused never keeps the others back. */
export type PreparedByHand = Prepared | { outcome: 'refused'; preparedId: null; reason: Told }

export interface MadeByHand {
  sourceId: number
  result: PreparedByHand
}

/**
 * Prepares papers of sources by hand: those listed as due or put back, or any that the routines passed by.
 * With an occasion that one is meant, where the source is asked for one: the period of a statement. Also calls
 * `within` in the same transaction, for the caller's own rows.
 */
export async function prepareByHand(
  kind: DocumentKind,
  sourceIds: readonly number[],
  who: Principal,
  how: {
    despite?: boolean
    occasion?: string
    within?: (results: readonly MadeByHand[]) => Promise<void>
  } = {},
): Promise<MadeByHand[]> {
  const { despite = false, occasion = '', within } = how
  if (despite && sourceIds.length > 1) throw new Refusal('one-by-one/prepare', { status: 400 })
  await refuseOtherSources(kind, sourceIds)
  const addressing = { role: kindFacts[kind].to, copyTo: [] }
  const laidOut = await makeAll(kind, sourceIds, addressing, occasion)
  if (laidOut.size === 0) throw new Refusal('no-such-order', { status: 404 })
  return inTransaction(async () => {
    const results: MadeByHand[] = []
    for (const [of, ids] of await byKind([...laidOut.keys()]))
      for (const id of ids) {
        const made = laidOut.get(id)!
        const ownKind = made.context.source.kind
        await lockSources([id])
        const refusal = await sourceOf(of).refusal?.(ownKind, id, despite)
        if (refusal) {
          if (laidOut.size === 1) throw refusal
          results.push({
            sourceId: id,
            result: { outcome: 'refused', preparedId: null, reason: toldRefusal(refusal) },
          })
          continue
        }
        const result = await keepDraft(
          {
            kind: ownKind,
            addressing,
            trust: 'after a check',
            delayMinutes: 0,
            hours: null,
            routine: null,
            who,
          },
          made,
        )
        results.push({ sourceId: id, result })
      }
    await within?.(results)
    publish('order', [...laidOut.keys()])
    return results
  }).catch((error: unknown) => {
    if (error instanceof ClaimLost) return prepareByHand(kind, sourceIds, who, how)
    throw error
  })
}

/** @throws Refusal "not-of-this" where a document of the kind is not made of what is named */
async function refuseOtherSources(kind: DocumentKind, sourceIds: readonly number[]): Promise<void> {
  const { sources: own } = kindFacts[kind]
  const other = [...(await byKind(sourceIds)).keys()].find((of) => !own.includes(of))
  if (other)
    throw badInput('not-of-this', 'kind', {
      kind: raised(toldKind(kind, 'one')),
      sources: told(`source/a ${other}`),
    })
}

/**
 * Puts prepared papers back to To send: the claim is free again, no number was drawn. Answers the ids that
 * were put back.
 */
export async function putBack(preparedIds: readonly number[], who: Principal): Promise<number[]> {
  return inTransaction(async () => {
    const back = await movePrepared(
      'put back',
      preparedIds,
      { automatic: false, once_complete: null, since: clock.now(), actor: who.name, changes: null },
      { who, what: ({ kind }) => told('prepared/put-back', { kind: toldKind(kind) }) },
    )
    await releaseClaims(back.map((paper) => paper.id))
    publish(
      'order',
      back.map((paper) => paper.sourceId),
    )
    return back.map((paper) => paper.id)
  })
}

/** Takes papers off To send with a reason: they are not wanted. */
export async function drop(
  preparedIds: readonly number[],
  reason: string,
  who: Principal,
): Promise<number[]> {
  return inTransaction(async () => {
    const dropped = await movePrepared(
      'drop',
      preparedIds,
      { since: clock.now(), actor: who.name },
      { who, what: ({ kind }) => told('prepared/dropped', { kind: toldKind(kind), reason }) },
    )
    for (const [of, ids] of await byKind(dropped.map((paper) => paper.sourceId)))
      await sourceOf(of).dropped?.(ids)
    return dropped.map((paper) => paper.id)
  })
}

/** Drops what was prepared of sources that were undone, whatever a person thinks of it; what is issued stays. */
export async function undoPrepared(
  sourceIds: readonly number[],
  what: (kind: DocumentKind) => Told,
): Promise<void> {
  const dropped = await movePrepared(
    'undo',
    (await preparedOf(sourceIds)).map(({ id }) => id),
    { automatic: false },
    { who: theHouse, what: ({ kind }) => what(kind) },
  )
  await releaseClaims(dropped.map((one) => one.id))
}

/** Undo of `drop`. */
export async function undrop(preparedIds: readonly number[], who: Principal): Promise<void> {
  await inTransaction(async () => {
    const alone = await aloneInPlace(preparedIds)
    const back = await movePrepared(
      'take up',
      alone.map(({ id }) => id),
      { since: clock.now() },
      { who, what: ({ kind }) => told('prepared/undropped', { kind: toldKind(kind) }) },
    )
    for (const [of, ids] of await byKind(back.map((paper) => paper.sourceId)))
      await sourceOf(of).restored?.(ids)
  })
}

/**
 * Whom a prepared document goes to this once, whatever the customer's contacts are; with none it goes to the
 * contacts again.
 * @throws Refusal "bad-address", "no-such-paper", "no-email"
 */
export async function sendThisOnceTo(
  preparedId: number,
  addresses: readonly string[],
  who: Principal,
): Promise<void> {
  const wrong = addresses.find((address) => !isAddress(address))
  if (wrong !== undefined) throw badInput('bad-address', 'addresses', { address: wrong })
  await inTransaction(async () => {
    const [first, ...others] = addresses
    const words = first && first + (others.length ? ` +${others.length}` : '')
    const paper = await addressOnce({
      id: preparedId,
      toAddresses: first ? JSON.stringify(addresses) : null,
      sendTo: words ?? null,
    })
    if (!paper) throw new Refusal('no-such-paper', { status: 404 })
    if (paper.channel !== 'email' && paper.channel !== 'both') throw new Refusal('no-email')
    if (!first) await addJob('refresh-prepared', { preparedIds: [preparedId] })
    await lookForSecond([preparedId])
    await noteAll([
      {
        sourceId: paper.sourceId,
        preparedId,
        actor: who.name,
        ...(first
          ? told('prepared/once-to', { addresses: joined(addresses, 'list/comma') })
          : told('prepared/usual-to')),
      },
    ])
    publish('line', [preparedId])
  })
}
