import { randomUUID } from 'node:crypto'
import { callAgainAfter, mostCalls, type LabelFailure, type LabelState } from '../../../core/shipping/labels'
import { sscc } from '../../../core/shipping/sscc'
import { told, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { config } from '../../config'
import { inTransaction } from '../../db/connection'
import { moveRows, type Columns } from '../../db/move'
import { log } from '../../log'
import { CarrierFailure, type Booked, type Carrier } from '../../outside/carrier/carrier'
import { keepFile } from '../../outside/filestore/store'
import { addJob } from '../../queue/add'
import { company } from '../house/house'
import { gate } from '../house/queries'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import { theHouse } from '../people/principal'
import { carrierToAsk } from './carriers'
import { markDown, markUp } from './carriers-queries'
import { labelTable } from './labels'
import { askWaySeconds, endUsedLinks } from './tracking'
import { lockConsignment } from './lock'
import { isLabelComing, lockClaimed, lockDueLabel, trackingOf, type LabelToBook } from './labels-queries'

/*
 * Calls carriers: buys labels, asks by our key what became of those whose line broke, gives labels back. Called by
 * book-labels and the sweeper. The key stands in the row and "booking" is committed before the carrier is called.
 * Dies half-way: a booking whose worker is gone is "unclear", asked for by its key and never bought again by itself.
 * Refuses nothing; while everything is paused or a rehearsal is on nothing is asked.
 *
 * What came of a call is written under the lock of its goods, taken before the label's: of two labels that end at one
 * instant the later one sees the other.
 */

/** Does what is due of these labels, each by itself and several at once. */
export async function bookLabels(ids: readonly number[]): Promise<void> {
  const { paused, rehearsalSince } = await gate()
  if (paused || rehearsalSince) return
  await Promise.all(
    ids.map(async (id) => {
      await buy(id)
      await askAfter(id)
      await giveBack(id)
    }),
  )
}

/** Buys a label that is asked for. */
async function buy(id: number): Promise<void> {
  const claim = randomUUID()
  const label = await inTransaction(async () => {
    const now = clock.now()
    const due = await lockDueLabel(id, 'asked', now)
    if (!due) return undefined
    if (due.stopped !== null && !due.despite) return leave(due, due.stopped)
    await moveRows(labelTable, 'book', [id], {
      claim,
      claimed_until: new Date(now.getTime() + config.labelLeaseSeconds * 1000),
      tries: due.tries + 1,
    })
    return { ...due, tries: due.tries + 1 }
  })
  if (!label) return
  const carrier = await ofCarrier(label)
  const { publicAddress } = await company()
  const tell = publicAddress && `${publicAddress}/api/carriers/${label.carrierId}/news`
  const answer = await outcome(() => carrier.book(bookingOf(label, tell)))
  await inTransaction(async () => {
    await lockConsignment(label.sourceId)
    const mine = await lockClaimed(id, claim)
    if ('booked' in answer) await have(label, answer.booked, mine?.state)
    else if (mine) await notBooked(label, answer.failed)
  })
}

/** Nothing is bought for an order that was withdrawn meanwhile; for one that is held it waits. */
async function leave(label: LabelToBook, stopped: 'held' | 'withdrawn'): Promise<undefined> {
  if (stopped === 'held') {
    await moveRows(labelTable, 'ask', [label.id], { next_try_at: later(heldSeconds) })
    return
  }
  await moveRows(labelTable, 'withdraw', [label.id])
  await say(label, told('goods/label-left', { parcel: label.parcel }))
}

/** Between two looks at whether a held order may go on. */
const heldSeconds = 300

const bookingOf = ({ key, service, asked, parcel, parcels }: LabelToBook, tell: string) => ({
  key,
  service,
  to: asked.to,
  from: asked.from ?? [],
  country: asked.country,
  weight: asked.weight,
  size: asked.size,
  parcel,
  of: parcels,
  order: asked.order,
  isReturn: asked.isReturn,
  tell,
})

/** The carrier of a label; one whose key cannot be opened answers everything with that. */
async function ofCarrier({ carrierId }: LabelToBook): Promise<Carrier> {
  try {
    return await carrierToAsk(carrierId)
  } catch (error) {
    const refuse = () => Promise.reject(new CarrierFailure('sign-in', true, (error as Error).message))
    return { services: refuse, book: refuse, find: refuse, cancel: refuse, track: refuse }
  }
}

type Outcome<Result> = { booked: Result } | { failed: CarrierFailure }

/** What came of a call; what nobody foresaw may have come about. */
async function outcome<Result>(act: () => Promise<Result>): Promise<Outcome<Result>> {
  try {
    return { booked: await act() }
  } catch (error) {
    if (error instanceof CarrierFailure) return { failed: error }
    log.error({ error: String(error) }, 'a carrier was called in vain')
    return { failed: new CarrierFailure('not understood', false, String(error)) }
  }
}

/** The carrier has it: written down whatever was thought of it meanwhile. */
async function have(label: LabelToBook, booked: Booked, state: LabelState | undefined): Promise<void> {
  const { id, sourceId, parcel } = label
  const { gs1Prefix } = await company()
  const moved = await moveRows(labelTable, 'have', state ? [id] : [], {
    ...cleared,
    tracking: booked.tracking,
    tracking_url: booked.trackingUrl,
    barcode: booked.barcode,
    price: booked.price,
    currency: booked.currency,
    sscc: gs1Prefix ? ssccOf(gs1Prefix, id) : '',
    file: booked.label ? await keepFile(booked.label, 'application/pdf') : null,
    made_at: clock.now(),
    way: 'announced',
    way_at: clock.now(),
    ask_way_at: later(askWaySeconds),
  })
  await markUp(label.carrierId)
  if (moved.length === 0) {
    // its answer came after the carrier was asked for it by the key, or somebody decided that there is none
    const known = await trackingOf(id)
    if (known?.tracking === booked.tracking) return
    log.error({ label: id, tracking: booked.tracking }, 'a label came too late')
    await say(label, told('goods/label-late', { parcel, tracking: booked.tracking }))
    return
  }
  await say(
    label,
    told('goods/label-bought', {
      parcel,
      tracking: booked.tracking,
      price: `${booked.price} ${booked.currency}`,
    }),
  )
  await markStale('source', sourceId)
  await gather(label)
}

/** A label that is bought is kept whatever became of the house's numbers: without an SSCC where they are used up. */
function ssccOf(prefix: string, id: number): string {
  try {
    return sscc(prefix, id)
  } catch (error) {
    log.warn({ label: id, error: String(error) }, 'a label has no SSCC')
    return ''
  }
}

const cleared: Columns = { claim: null, claimed_until: null, failure: null, reply: '' }

/** A call to buy that failed: certain ones are refused or tried again, all others are unclear. */
async function notBooked(label: LabelToBook, { failure, certain, message }: CarrierFailure): Promise<void> {
  const now = clock.now()
  if (!certain) {
    await moveRows(labelTable, 'lose', [label.id], {
      failure,
      reply: message,
      tries: 0,
      next_try_at: later(config.labelAskSeconds),
    })
    await say(label, told('goods/label-line-broke', { parcel: label.parcel, reply: message }))
    await addJob('book-labels', { labelIds: [label.id] }, { runAt: later(config.labelAskSeconds) })
    return
  }
  if (failure === 'no answer') {
    await markDown(label.carrierId, now)
    if (label.tries < mostCalls) {
      const again = later(callAgainAfter(label.tries))
      await moveRows(labelTable, 'wait', [label.id], {
        ...cleared,
        failure,
        reply: message,
        next_try_at: again,
      })
      await addJob('book-labels', { labelIds: [label.id] }, { runAt: again })
      publish('order', [label.orderId])
      return
    }
  }
  await refuse(label, failure, message)
}

const later = (seconds: number) => new Date(clock.now().getTime() + seconds * 1000)

async function refuse(label: LabelToBook, failure: LabelFailure, reply: string): Promise<void> {
  await moveRows(labelTable, 'refuse', [label.id], { ...cleared, failure, reply, next_try_at: clock.now() })
  await say(
    label,
    told('goods/label-refused', {
      parcel: label.parcel,
      why: told(`failure/${failure}`),
      remedy: told(`label-remedy/${failure}`),
      reply,
    }),
  )
  await gather(label)
}

/** Asks the carrier by our key for a label that is unclear. That it has none is believed when it says so twice. */
async function askAfter(id: number): Promise<void> {
  const label = await inTransaction(async () => lockDueLabel(id, 'unclear', clock.now()))
  if (!label) return
  const carrier = await ofCarrier(label)
  const answer = await outcome(() => carrier.find(label.key))
  await inTransaction(async () => {
    await lockConsignment(label.sourceId)
    const now = await lockDueLabel(id, 'unclear', clock.now())
    if (!now) return
    if ('booked' in answer && answer.booked) return have(now, answer.booked, 'unclear')
    if ('booked' in answer && now.tries > 0) return refuse(now, 'not bought', told('goods/label-none').words)
    const tries = now.tries + ('booked' in answer ? 1 : 0)
    const seconds = 'failed' in answer ? callAgainAfter(1) : config.labelAskSeconds
    await moveRows(labelTable, 'ask', [id], { tries, next_try_at: later(seconds) })
    await addJob('book-labels', { labelIds: [id] }, { runAt: later(seconds) })
  })
}

/** Gives a label back at the carrier; giving back twice is no harm. */
async function giveBack(id: number): Promise<void> {
  const label = await inTransaction(async () => lockDueLabel(id, 'cancelling', clock.now()))
  if (!label) return
  const carrier = await ofCarrier(label)
  const answer = await outcome(() => carrier.cancel(label.tracking))
  await inTransaction(async () => {
    await lockConsignment(label.sourceId)
    const now = await lockDueLabel(id, 'cancelling', clock.now())
    if (!now) return
    if (
      'failed' in answer &&
      ['no answer', 'not understood'].includes(answer.failed.failure) &&
      now.tries < mostCalls
    ) {
      const again = later(callAgainAfter(now.tries + 1))
      await moveRows(labelTable, 'ask', [id], {
        tries: now.tries + 1,
        next_try_at: again,
        reply: answer.failed.message,
      })
      await addJob('book-labels', { labelIds: [id] }, { runAt: again })
      return
    }
    if ('booked' in answer && answer.booked) {
      await moveRows(labelTable, 'given back', [id], cleared)
      await endUsedLinks([now])
      await say(now, told('goods/label-back', { parcel: now.parcel, tracking: now.tracking }))
    } else {
      const why = 'failed' in answer ? answer.failed.message : told('goods/label-used').words
      await moveRows(labelTable, 'keep', [id], { reply: why })
      await say(now, told('goods/label-kept', { parcel: now.parcel, why }))
    }
    await markStale('source', now.sourceId)
  })
}

async function say({ sourceId, orderId }: LabelToBook, what: Told): Promise<void> {
  await noteAll([{ sourceId, actor: theHouse.name, ...what }])
  publish('order', [orderId])
  publish('line')
}

/** Has the document of a shipment's labels made once none of them is to come within moments. */
async function gather({ sourceId }: LabelToBook): Promise<void> {
  const { coming } = (await isLabelComing(sourceId))!
  if (!coming) await addJob('label-documents', { sourceIds: [sourceId] }, { key: `labels of ${sourceId}` })
}
