import { toldSendTo } from '../../../core/dispatch/send-to'
import { clock } from '../../clock'
import { isAddress } from '../../../core/preferences/recipients'
import { counted, raised, told, toldKind, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { gate } from '../house/queries'
import { company } from '../house/house'
import { sendHouseMail } from '../house/house-mail'
import {
  unnoticedStuck,
  unnoticedKeptBack,
  markStuckNoticed,
  markKeptBackNoticed,
  markCarriersNoticed,
  markLabelsNoticed,
  unnoticedCarriers,
  unnoticedLabels,
  type Unbought,
  type Stuck,
  type KeptBack,
} from './queries'

/*
 * Tells a person by mail that something automatic failed: one mail for everything since the last, both what
 * was to go automatically and could not
 * be issued, and what is stuck. In a rehearsal it goes to the rehearsal address, marked, like everything else.
 * Called by the sweeper. A notice that cannot be sent is sent with the next sweep.
 */

export async function sendFailureNotice(): Promise<void> {
  const { failureNoticeTo, name } = await company()
  const { rehearsalSince, rehearsalAddress } = await gate()
  const to = rehearsalSince ? rehearsalAddress : failureNoticeTo
  if (!isAddress(failureNoticeTo) || !isAddress(to)) return
  const stuck = await unnoticedStuck()
  const keptBack = await unnoticedKeptBack()
  const labels = await unnoticedLabels()
  const carriers = await unnoticedCarriers(new Date(clock.now().getTime() - downMinutes * 60_000))
  const count = stuck.length + keptBack.length
  if (count + labels.length + carriers.length === 0) return
  const subject = count > 0 ? subjectOf(stuck, keptBack, name) : subjectOfLabels(labels, carriers, name)
  const result = await sendHouseMail({
    to,
    subject: (rehearsalSince ? told('letter/rehearsal', { subject }) : subject).words,
    text: [...(count > 0 ? [textOf(stuck, keptBack)] : []), ...textsOfLabels(labels, carriers)].join('\n\n'),
  })
  if (result?.result !== 'accepted') return
  await inTransaction(async () => {
    await markLabelsNoticed(labels.map((row) => row.id))
    await markCarriersNoticed(carriers.map((row) => row.id))
    await markStuckNoticed(stuck.map((row) => row.id))
    await markKeptBackNoticed(keptBack.map((row) => row.id))
  })
}

/** A carrier that is away for a moment is nobody's news. */
const downMinutes = 5

interface Carrier {
  name: string
  waiting: number
}

/** What is told, with what the other side said to it. */
const withReply = (what: Told, reply: string | null): Told =>
  reply ? told('notice/said', { what, reply }) : what

/** A list under its heading. */
const listed = (heading: Told, lines: readonly Told[]): string =>
  `${heading.words}\n\n${lines.map(({ words }) => words).join('\n')}\n`

function subjectOfLabels(labels: readonly Unbought[], carriers: readonly Carrier[], house: string): Told {
  const [down] = carriers
  if (down)
    return told('notice/carrier-subject', { carrier: down.name, labels: counted(down.waiting, 'label') })
  const [first] = labels
  return labels.length === 1
    ? told('notice/label-subject', { shipment: first!.shipment, customer: first!.customerName })
    : told('notice/labels-subject', { labels: counted(labels.length, 'label'), house })
}

function textsOfLabels(labels: readonly Unbought[], carriers: readonly Carrier[]): string[] {
  const down = carriers.map(
    ({ name: carrier, waiting }) =>
      `${told('notice/carrier', { carrier, labels: counted(waiting, 'label') }).words}\n`,
  )
  if (labels.length === 0) return down
  const lines = labels.map(({ shipment, parcel, customerName: customer, failure, reply }) =>
    withReply(told('notice/label', { shipment, parcel, customer, why: told(`failure/${failure}`) }), reply),
  )
  return [...down, listed(told(labels.length === 1 ? 'notice/label-one' : 'notice/label-more'), lines)]
}

function subjectOf(stuck: readonly Stuck[], keptBack: readonly KeptBack[], house: string): Told {
  const count = stuck.length + keptBack.length
  if (count > 1) return told('notice/several-subject', { documents: counted(count, 'document'), house })
  const [first] = stuck
  if (first) return told('notice/stuck-subject', { number: first.number, customer: first.customerName })
  const { kind, orderNumber: order, customerName: customer } = keptBack[0]!
  return order
    ? told('notice/not-issued-subject-of', { kind: toldKind(kind), order, customer })
    : told('notice/not-issued-subject', { kind: toldKind(kind), customer })
}

function textOf(stuck: readonly Stuck[], keptBack: readonly KeptBack[]): string {
  const notIssued = keptBack.map(({ kind, orderNumber: order, customerName: customer, problem, sendTo }) => {
    const of = { kind: raised(toldKind(kind)), customer, why: problem ?? toldSendTo(sendTo) }
    return order ? told('notice/not-issued-of', { ...of, order }) : told('notice/not-issued', of)
  })
  const lies = stuck.map(({ number, customerName: customer, cause, reply }) =>
    withReply(told('notice/stuck', { number, customer, why: told(`cause/${cause}`) }), reply),
  )
  const headed = (lines: readonly Told[], one: Told, more: Told) =>
    lines.length === 0 ? [] : [listed(lines.length === 1 ? one : more, lines)]
  return [
    ...headed(notIssued, told('notice/not-issued-one'), told('notice/not-issued-more')),
    ...headed(lies, told('notice/stuck-one'), told('notice/stuck-more')),
  ].join('\n')
}
