import { lockOpenItems } from './issue-queries'
import { Refusal } from '../../../core/errors'
import { type Day } from '../../../core/documents/days'
import { type DocumentKind } from '../../../core/documents/kinds'
import { raised, told, toldDay, toldKind } from '../../../core/said/told'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { DocumentVoid, HouseEvent } from '../../db/models'
import { takeOut } from '../dispatch/create'
import { publish } from '../live/publish'
import { claimAgain, releaseClaim } from './claims'
import { lockSources, sourceOf, type SourceKind } from './sources'
import { note } from '../history/history'
import {
  documentToVoid,
  lockDispatchesOf,
  dispatchesOf,
  deleteUndeliveredOf,
  clearOpenItem,
  triedDispatchesOf,
  isVoided,
  standingCreditOf,
  settledBy,
  lockClosedUntil,
  reverseAllocations,
  raiseOpen,
} from './void-queries'
import type { Principal } from '../people/principal'

/*
 * Voiding a document: its number stays, marked, and nothing of it is owed. Only while nothing was handed
 * over, nothing is allocated and its period is open.
 * Called from a document in hand. Dies half-way: the transaction is undone. Refuses everything else: then it
 * is credited.
 */

export interface Voidable {
  id: number
  number: string
  kind: DocumentKind
  date: Day
  sourceId: number
  sourceKind: SourceKind
  rootId: number
  creditsId: number | null
}

/** @throws Refusal "void-already", "closed-period", "allocated", "credited", "handed-over" */
export async function voidDocument(id: number, reason: string, who: Principal): Promise<void> {
  await inTransaction(async () => {
    const document = await documentToVoid(id)
    if (!document) throw new Refusal('no-such-document', { status: 404 })
    const { number } = document
    await lockOpenItems([id, document.creditsId ?? id])
    await lockSources([document.sourceId], 'change')
    await lockDispatchesOf(id)
    // looked at once they are locked: what a worker wrote of its recipients meanwhile counts
    const refusal = await voidRefusal(document)
    if (refusal) throw refusal
    const dispatches = await dispatchesOf(id)

    await DocumentVoid.create({ documentId: id, at: clock.now(), by: who.name, reason })
    for (const dispatch of dispatches)
      if (['waiting', 'stuck'].includes(dispatch.state)) await takeOut(dispatch.id, id, who)
    await deleteUndeliveredOf(id)
    await takeBackAllocations(document, who)
    await clearOpenItem(id)
    await releaseClaim(id)
    await sourceOf(document.sourceKind).voided?.(document.sourceId)
    await HouseEvent.create({
      kind: 'document voided',
      sourceId: document.sourceId,
      documentId: id,
      facts: { number, reason },
      schemaVersion: 1,
      at: clock.now(),
      actor: who.name,
      lookedAt: clock.now(),
    })
    await note(
      { sourceId: document.sourceId, documentId: id },
      who.name,
      told('issued/voided', { kind: raised(toldKind(document.kind)), number, reason }),
    )
    publish('line')
    publish('register')
    publish('order', [document.rootId])
  })
}

/**
 * Why a document cannot be voided; undefined when it can. The act asks it under its locks, the screen before
 * it offers it.
 */
export async function voidRefusal(document: Voidable): Promise<Refusal | undefined> {
  const { id, number } = document
  const dispatches = await triedDispatchesOf(id)
  if (await isVoided(id)) return new Refusal('void-already', { values: { number } })
  const gone = dispatches.some(
    (one) => one.attempted || ['claimed', 'handing over', 'on the way', 'arrived'].includes(one.state),
  )
  const credit = told('void/credit-instead')
  if (gone) return new Refusal('handed-over', { values: { number, credit } })
  if (await standingCreditOf(id)) return new Refusal('credited', { values: { number } })
  if (await settledBy(id, document.creditsId)) return new Refusal('allocated', { values: { number, credit } })
  const { closedUntil } = (await lockClosedUntil())!
  if (closedUntil !== null && document.date <= closedUntil)
    return new Refusal('closed-period', { values: { number, day: toldDay(closedUntil), credit } })
  return undefined
}

/** A voided credit note gives its invoice's open amount back. */
async function takeBackAllocations(document: Voidable, who: Principal): Promise<void> {
  if (document.creditsId === null) return
  const back = await reverseAllocations({ documentId: document.id, now: clock.now(), actor: who.name })
  for (const { amount } of back) await raiseOpen(document.creditsId, amount)
  await claimAgain(document.creditsId)
}
