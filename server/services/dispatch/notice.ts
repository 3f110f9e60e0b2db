import { stuckWords } from '../../../core/dispatch/states'
import { capital } from '../../../core/documents/kinds'
import { failureFacts } from '../../../core/shipping/labels'
import { clock } from '../../clock'
import { isAddress } from '../../../core/preferences/recipients'
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
    subject: rehearsalSince ? `[Rehearsal] ${subject}` : subject,
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

const countOf = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`

function subjectOfLabels(labels: readonly Unbought[], carriers: readonly Carrier[], house: string): string {
  const [down] = carriers
  if (down) return `${down.name} does not answer: ${countOf(down.waiting, 'label')} waiting`
  return labels.length === 1
    ? `No label: ${labels[0]!.shipment} to ${labels[0]!.customerName}`
    : `${countOf(labels.length, 'label')} could not be bought at ${house}`
}

function textsOfLabels(labels: readonly Unbought[], carriers: readonly Carrier[]): string[] {
  const down = carriers.map(
    ({ name, waiting }) =>
      `The carrier ${name} does not answer. ${countOf(waiting, 'label')} asked for again by themselves; there is ` +
      'nothing to do but to wait, or to ship by another. This is said once.\n',
  )
  if (labels.length === 0) return down
  const lines = labels.map(({ shipment, parcel, customerName, failure, reply }) => {
    const said = reply ? ` (${reply})` : ''
    return `${shipment}, parcel ${parcel}, ${customerName}: ${failureFacts[failure].words}${said}`
  })
  const what = labels.length === 1 ? 'This label' : 'These labels'
  return [
    ...down,
    `${what} could not be bought. Shipments, Labels shows each with its remedy:\n\n${lines.join('\n')}\n`,
  ]
}

function subjectOf(stuck: readonly Stuck[], keptBack: readonly KeptBack[], name: string): string {
  const [first, held] = [stuck[0], keptBack[0]]
  if (stuck.length + keptBack.length > 1)
    return `${stuck.length + keptBack.length} documents did not go at ${name}`
  return first
    ? `Stuck: ${first.number} to ${first.customerName}`
    : `Not issued: ${held!.kind}${held!.orderNumber ? ` of ${held!.orderNumber}` : ''} for ${held!.customerName}`
}

function textOf(stuck: readonly Stuck[], keptBack: readonly KeptBack[]): string {
  const parts: string[] = []
  if (keptBack.length > 0) {
    const lines = keptBack.map(({ kind, orderNumber, customerName, reason }) => {
      const of = orderNumber ? ` of order ${orderNumber}` : ''
      return `${capital(kind)}${of}, ${customerName}: ${reason}`
    })
    parts.push(
      `${keptBack.length === 1 ? 'This was' : 'These were'} to go automatically and could not be ` +
        'issued; no number was used. To check on the Line shows each with its ' +
        `remedy:\n\n${lines.join('\n')}`,
    )
  }
  if (stuck.length > 0) {
    const lines = stuck.map(
      (row) =>
        `${row.number}, ${row.customerName}: ${stuckWords[row.cause].label}${row.reply ? ` (${row.reply})` : ''}`,
    )
    parts.push(
      `${stuck.length === 1 ? 'This did' : 'These did'} not arrive. Stuck on the Line shows each with ` +
        `its remedy:\n\n${lines.join('\n')}`,
    )
  }
  return `${parts.join('\n\n')}\n`
}
