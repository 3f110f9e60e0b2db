import { Refusal } from '../../../core/errors'
import { dayWords, type Day } from '../../../core/documents/days'
import { capital, type DocumentKind } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { inTransaction, one, rows, run } from '../../db/connection'
import { DocumentVoid, HouseEvent } from '../../db/models'
import { takeOut } from '../dispatch/create'
import { publish } from '../live/publish'
import { claimAgain, releaseClaim } from './claims'
import { lockSources, sourceOf, type SourceKind } from './sources'
import { note } from '../history/history'

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
export async function voidDocument(id: number, reason: string, actor: string): Promise<void> {
  await inTransaction(async () => {
    const document = await one<Voidable>(
      `select d.id, d.number, d.kind, d.date::text date, d.source_id "sourceId", s.kind "sourceKind",
        s.root_id "rootId", d.credits_id "creditsId"
      from document d
      join source s on s.id = d.source_id
      where d.id = $1`,
      [id],
    )
    if (!document) throw new Refusal('no-such-document', 'That document does not exist.', { status: 404 })
    const { number } = document
    await run(
      'select document_id from open_item where document_id = any($1::int[]) order by document_id for update',
      [[id, document.creditsId ?? id]],
    )
    await lockSources([document.sourceId], 'change')
    await run(
      `select s.id
      from dispatch s
      join dispatch_document dd on dd.dispatch_id = s.id
      where dd.document_id = $1
      order by s.id
      for update of s`,
      [id],
    )
    // looked at once they are locked: what a worker wrote of its recipients meanwhile counts
    const refusal = await voidRefusal(document)
    if (refusal) throw refusal
    const dispatches = await rows<{ id: number; state: string }>(
      `select s.id, s.state
      from dispatch s
      join dispatch_document dd on dd.dispatch_id = s.id
      where dd.document_id = $1`,
      [id],
    )

    await DocumentVoid.create({ documentId: id, at: clock.now(), by: actor, reason })
    for (const dispatch of dispatches)
      if (['waiting', 'stuck'].includes(dispatch.state)) await takeOut(dispatch.id, id, actor)
    await run('delete from undelivered where document_id = $1', [id])
    await takeBackAllocations(document, actor)
    await run('update open_item set open = 0 where document_id = $1', [id])
    await releaseClaim(id)
    await sourceOf(document.sourceKind).voided?.(document.sourceId)
    await HouseEvent.create({
      kind: 'document voided',
      sourceId: document.sourceId,
      documentId: id,
      facts: { number, reason },
      schemaVersion: 1,
      at: clock.now(),
      actor,
      lookedAt: clock.now(),
    })
    await note(
      { sourceId: document.sourceId, documentId: id },
      actor,
      `${capital(document.kind)} ${number} was voided: ${reason}`,
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
  const dispatches = await rows<{ id: number; state: string; attempted: boolean }>(
    `select s.id, s.state,
      exists (
        select from dispatch_recipient r where r.dispatch_id = s.id and r.outcome in ('accepted', 'delivered')
      ) attempted
    from dispatch s
    join dispatch_document dd on dd.dispatch_id = s.id
    where dd.document_id = $1`,
    [id],
  )
  if (await one('select document_id from document_void where document_id = $1', [id]))
    return new Refusal('void-already', `${number} is void already.`)
  const gone = dispatches.some(
    (one) => one.attempted || ['claimed', 'handing over', 'on the way', 'arrived'].includes(one.state),
  )
  const credit = `Credit it instead: a credit note takes it back and both stay to be seen.`
  if (gone)
    return new Refusal('handed-over', `${number} was handed over already, so it may not be voided. ${credit}`)
  if (
    await one(
      `select d.id
      from document d
      where d.credits_id = $1 and not exists (select from document_void v where v.document_id = d.id)`,
      [id],
    )
  )
    return new Refusal('credited', `${number} is credited already, so it may not be voided.`)
  if (
    await one(
      `select 1
      from allocation
      where (to_document_id = $1 and kind <> 'credit') or (from_document_id = $1 and $2::int is null)
      group by to_document_id
      having sum(amount) <> 0`,
      [id, document.creditsId],
    )
  )
    return new Refusal('allocated', `Payments are booked on ${number}, so it may not be voided. ${credit}`)
  const { closedUntil } = (await one<{ closedUntil: Day | null }>(
    'select closed_until::text "closedUntil" from company for share',
  ))!
  if (closedUntil !== null && document.date <= closedUntil)
    return new Refusal(
      'closed-period',
      `${number} lies in a closed period (closed until ${dayWords(closedUntil)}), so it may not be voided. ${credit}`,
    )
  return undefined
}

/** A voided credit note gives its invoice's open amount back. */
async function takeBackAllocations(document: Voidable, actor: string): Promise<void> {
  if (document.creditsId === null) return
  const back = await rows<{ amount: string }>(
    `insert into allocation (from_document_id, to_document_id, amount, currency, at, by)
    select from_document_id, to_document_id, -sum(amount), currency, $2, $3
    from allocation
    where from_document_id = $1
    group by from_document_id, to_document_id, currency
    having sum(amount) <> 0
    returning (-amount)::text amount`,
    [document.id, clock.now(), actor],
  )
  for (const { amount } of back)
    await run('update open_item set open = open + $2::numeric where document_id = $1', [
      document.creditsId,
      amount,
    ])
  await claimAgain(document.creditsId)
}
