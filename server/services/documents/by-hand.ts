import { Refusal } from '../../../core/errors'
import { type DocumentKind, kindFacts, receiptKind } from '../../../core/documents/kinds'
import { clock } from '../../clock'
import { inTransaction, one, rows, run } from '../../db/connection'
import { isAddress } from '../../../core/wishes/recipients'
import { addJob } from '../../queue/add'
import { publish } from '../live/publish'
import { noteAll } from '../trail/trail'
import { prepareRefusal, stopWords, type OrderToDocument } from '../../../core/orders/statuses'
import { ClaimLost, draftBills, draftPapers, draftReceipts, keepDraft, type Prepared } from './prepare'

/*
 * What a person does with papers before they are issued: have one prepared, put it back, take it off the list.
 * Called by the Line and by an order. Refuses what is already issued; nothing here draws a number.
 */

/** What came of one order; one that is refused never keeps the others back. */
export type PreparedByHand = Prepared | { outcome: 'refused'; paperId: null; reason: string }

/** Prepares papers of orders by hand: those listed as due or put back, or any order the routines passed by. */
export async function prepareByHand(
  kind: DocumentKind,
  orderIds: readonly number[],
  actor: string,
  despite = false,
): Promise<{ orderId: number; result: PreparedByHand }[]> {
  if (despite && orderIds.length > 1)
    throw new Refusal('one-by-one', 'Documents of held or withdrawn orders are prepared one by one.', {
      status: 400,
    })
  const addressing = { role: kindFacts[kind].to, copyTo: [] }
  const drafts = await draftPapers(kind, orderIds, addressing)
  if (drafts.size === 0) throw new Refusal('no-such-order', 'That order does not exist.', { status: 404 })
  return inTransaction(async () => {
    const results: { orderId: number; result: PreparedByHand }[] = []
    for (const made of drafts.values()) {
      const orderId = made.context.orderId!
      const refusal = await refusalFor(kind, orderId, despite)
      if (refusal) {
        if (drafts.size === 1) throw refusal
        results.push({ orderId, result: { outcome: 'refused', paperId: null, reason: refusal.message } })
        continue
      }
      const result = await keepDraft(
        {
          orderId,
          kind,
          addressing,
          trust: 'after a check',
          delayMinutes: 0,
          hours: null,
          routine: null,
          actor,
        },
        made,
      )
      results.push({ orderId, result })
    }
    publish('order', [...drafts.keys()])
    return results
  }).catch((error: unknown) => {
    if (error instanceof ClaimLost) return prepareByHand(kind, orderIds, actor, despite)
    throw error
  })
}

/** Why a document of a kind is not made of an order now, looked at once the order is locked. */
async function refusalFor(
  kind: DocumentKind,
  orderId: number,
  despite: boolean,
): Promise<Refusal | undefined> {
  await one('select id from sales_order where id = $1 for share', [orderId])
  const order = (await one<OrderToDocument & { stopped: string | null }>(
    `select o.number, o.status, o.supplied_on::text "suppliedOn",
      (select so.status from stopped_order so where so.order_id = o.id) stopped
    from sales_order o where o.id = $1`,
    [orderId],
  ))!
  const words = prepareRefusal(kind, order)
  if (words) return new Refusal('not-yet', words, { about: { record: { kind: 'order', id: orderId } } })
  if (order.stopped !== null && kindFacts[kind].waitsWithOrder && !despite)
    return new Refusal('order-stopped', stopWords(order.number, order.stopped), {
      about: { record: { kind: 'order', id: orderId, label: order.number } },
    })
  return undefined
}

/** Prepares papers of bills again that were put back. */
export async function prepareBills(billIds: readonly number[], actor: string): Promise<Prepared[]> {
  const drafts = await draftBills(billIds)
  return inTransaction(async () => {
    const results: Prepared[] = []
    for (const [billId, made] of drafts) {
      await one('select id from bill where id = $1 for share', [billId])
      results.push(
        await keepDraft(
          {
            orderId: made.context.orderId,
            kind: made.context.source.kind,
            addressing: { role: 'billing', copyTo: [] },
            trust: 'after a check',
            delayMinutes: 0,
            hours: null,
            routine: null,
            actor,
          },
          made,
        ),
      )
    }
    return results
  })
}

/**
 * Puts prepared papers back to To send: the claim is free again, no number was drawn. Answers the ids that
 * were put back.
 */
export async function putBack(paperIds: readonly number[], actor: string): Promise<number[]> {
  return inTransaction(async () => {
    const back = await rows<{ id: number; orderId: number | null; kind: DocumentKind }>(
      `update paper set state = 'put back', by_itself = false, since = $2, actor = $3, changes = null
      where id = any($1::int[]) and state = 'prepared' returning id, order_id "orderId", kind`,
      [paperIds, clock.now(), actor],
    )
    await run('delete from claim where paper_id = any($1::int[]) and document_id is null', [
      back.map((paper) => paper.id),
    ])
    await noteAll(
      back.map((paper) => ({
        orderId: paper.orderId ?? undefined,
        paperId: paper.id,
        actor,
        words: `The prepared ${paper.kind} was put back. No number was used.`,
      })),
    )
    publish(
      'line',
      back.map((paper) => paper.id),
    )
    publish(
      'order',
      back.flatMap((paper) => paper.orderId ?? []),
    )
    return back.map((paper) => paper.id)
  })
}

/** Takes papers off To send with a reason: they are not wanted. */
export async function drop(paperIds: readonly number[], reason: string, actor: string): Promise<number[]> {
  return inTransaction(async () => {
    const dropped = await rows<{ id: number; orderId: number | null; kind: DocumentKind }>(
      `update paper set state = 'dropped', since = $2, actor = $3
      where id = any($1::int[]) and state in ('due', 'put back') returning id, order_id "orderId", kind`,
      [paperIds, clock.now(), actor],
    )
    await run(
      `update bill
      set state = 'dropped'
      where id in (select bill_id from paper where id = any($1::int[])) and state = 'open'`,
      [dropped.map((paper) => paper.id)],
    )
    await noteAll(
      dropped.map((paper) => ({
        orderId: paper.orderId ?? undefined,
        paperId: paper.id,
        actor,
        words: `The ${paper.kind} was taken off To send: ${reason}`,
      })),
    )
    publish(
      'line',
      dropped.map((paper) => paper.id),
    )
    return dropped.map((paper) => paper.id)
  })
}

/** Undo of `drop`. */
export async function undrop(paperIds: readonly number[], actor: string): Promise<void> {
  await inTransaction(async () => {
    const back = await rows<{ id: number; orderId: number | null; kind: DocumentKind }>(
      `update paper p
      set state = 'put back', since = $2
      where id = any($1::int[])
        and state = 'dropped'
        and not exists (
          select
          from paper o
          where coalesce(o.order_id, 0) = coalesce(p.order_id, 0)
            and o.kind = p.kind
            and o.occasion = p.occasion
            and o.state in ('due', 'prepared', 'put back')
        )
      returning id, order_id "orderId", kind`,
      [paperIds, clock.now()],
    )
    await run(
      `update bill
      set state = 'open'
      where id in (select bill_id from paper where id = any($1::int[])) and state = 'dropped'`,
      [back.map((paper) => paper.id)],
    )
    await noteAll(
      back.map((paper) => ({
        orderId: paper.orderId ?? undefined,
        paperId: paper.id,
        actor,
        words: `The ${paper.kind} was put on To send again.`,
      })),
    )
    publish(
      'line',
      back.map((paper) => paper.id),
    )
  })
}

/**
 * Whom a prepared document goes to this once, whatever the customer's contacts are; with none it goes to the
 * contacts again.
 * @throws Refusal "bad-address", "no-such-paper", "no-email"
 */
export async function sendThisOnceTo(
  paperId: number,
  addresses: readonly string[],
  actor: string,
): Promise<void> {
  const wrong = addresses.find((address) => !isAddress(address))
  if (wrong !== undefined)
    throw new Refusal(
      'bad-address',
      `“${wrong}” is not an email address. Write one like name@house.example.`,
      {
        status: 400,
        about: { field: 'addresses' },
      },
    )
  await inTransaction(async () => {
    const [first, ...others] = addresses
    const words = first && first + (others.length ? ` +${others.length}` : '')
    const paper = await one<{ orderId: number | null; channel: string }>(
      `update paper
      set to_addresses = $2::jsonb, send_to = coalesce($3, send_to), stale = stale or $2::jsonb is null,
        revision = revision + 1
      where id = $1 and state = 'prepared'
      returning order_id "orderId", channel`,
      [paperId, first ? JSON.stringify(addresses) : null, words ?? null],
    )
    if (!paper) throw new Refusal('no-such-paper', 'That document is not waiting any more.', { status: 404 })
    if (paper.channel !== 'email' && paper.channel !== 'both')
      throw new Refusal(
        'no-email',
        'This customer wants no email of this kind, so there is nobody to choose.',
      )
    if (!first) await addJob('refresh-papers', { paperIds: [paperId] })
    await noteAll([
      {
        orderId: paper.orderId ?? undefined,
        paperId,
        actor,
        words: first
          ? `This once it goes to ${addresses.join(', ')}.`
          : 'It goes to the customer’s contacts again.',
      },
    ])
    publish('line', [paperId])
  })
}

/** The receipt of a payment or refund, prepared by hand. @throws Refusal "no-such-payment" */
export async function prepareReceipt(paymentId: number, actor: string): Promise<Prepared> {
  const payment = await one<{ direction: 'in' | 'out' }>('select direction from payment where id = $1', [
    paymentId,
  ])
  if (!payment) throw new Refusal('no-such-payment', 'That payment does not exist.', { status: 404 })
  const kind = receiptKind(payment.direction)
  const addressing = { role: kindFacts[kind].to, copyTo: [] }
  const made = (await draftReceipts([paymentId], addressing)).get(paymentId)!
  return inTransaction(async () => {
    await one('select id from payment where id = $1 for share', [paymentId])
    const asked = { orderId: null, kind, addressing, delayMinutes: 0, hours: null, routine: null, actor }
    return keepDraft({ ...asked, trust: 'after a check' }, made)
  })
}
