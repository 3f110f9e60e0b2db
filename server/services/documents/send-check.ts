import type { ChannelName } from '../../../core/dispatch/channels'
import { type SendBar, type SendPlan, type SendQuestion } from '../../../core/dispatch/plan'
import { groupBy } from '../../../core/group'
import { sumByCurrency, type CurrencySum } from '../../../core/money/sums'
import type { Told } from '../../../core/said/told'
import type { IssueHow } from './ready-to-issue'
import type { Matching } from './send-run'
import { theHouse } from '../people/principal'
import { candidates } from './queries'

/*
 * What a Send would do, before it is done: how many documents in how many emails, what is left out and why.
 * Called by the dialogs of Send and Send all, and by the Send of all that match, which takes just those that
 * go. Reads only.
 */

export type Which = { papers: readonly { id: number; revision: number }[] } | { matching: Matching }

export interface Candidate extends SendQuestion {
  id: number
  revision: number
  total: string
  currency: string
  /** Alike in one email, where the customer wants them gathered. */
  gather: string | null
  /** Where it goes as a rehearsal because its routine or its text is tried; '' for real. */
  rehearseTo: string
  plan: SendPlan
}

/** What is left out for one cause. */
export interface LeftOut {
  bar: SendBar
  help: Told
  count: number
  sums: CurrencySum[]
  /** The first of them. */
  rows: { id: number; orderNumber: string; customerName: string; reason: Told }[]
}

export interface SendCheck {
  /** Documents that would be issued, and those that would be rehearsed. */
  documents: number
  /** Of those that would be issued. */
  emails: number
  prints: number
  /** Issued and sent to nobody, since the customer wants none. */
  toNobody: number
  sums: CurrencySum[]
  leftOut: LeftOut[]
  /** Of picked documents: those that would go, as they are now. */
  going: { id: number; revision: number }[]
  /** Of those that go, what somebody else asked for: this Send is the second look at them. */
  asSecond: number
  /** Those that go as rehearsals because their routines or texts are tried, and stay due. */
  rehearsed: number
  /** Those that need a second person whom nobody has asked for. */
  toAsk: { id: number; revision: number }[]
}

const shownRows = 100

type NotGoing = Candidate & { plan: Extract<SendPlan, { goes: false }> }
const staysBack = (one: Candidate): one is NotGoing => !one.plan.goes

/** What a Send would do at this moment. */
export async function checkSend(which: Which, how: IssueHow, who = theHouse): Promise<SendCheck> {
  const all = await candidates(which, how, who)
  const going = all.filter((one) => one.plan.goes)
  // what is rehearsed goes to nobody, and books nothing
  const real = going.filter((one) => one.rehearseTo === '')
  const goesBy = (one: Candidate, channel: ChannelName) =>
    one.plan.goes && one.plan.channels.includes(channel)
  const emails = real.filter((one) => goesBy(one, 'email'))
  const leftOut = [...groupBy(all.filter(staysBack), (one) => one.plan.bar)].map(([bar, own]) =>
    leftOutFor(bar, own),
  )
  return {
    documents: going.length,
    emails: new Set(emails.map((one) => one.gather ?? one.id)).size,
    prints: real.filter((one) => goesBy(one, 'paper')).length,
    toNobody: real.filter((one) => one.channel === 'nothing').length,
    sums: sumByCurrency(real),
    leftOut,
    going: 'papers' in which ? going.map(({ id, revision }) => ({ id, revision })) : [],
    asSecond: going.filter((one) => one.secondLook && one.asked).length,
    rehearsed: going.length - real.length,
    toAsk: all
      .filter((one) => !one.plan.goes && one.plan.bar === 'second look' && !one.asked)
      .map(({ id, revision }) => ({ id, revision })),
  }
}

function leftOutFor(bar: SendBar, own: readonly NotGoing[]): LeftOut {
  const shown = own.slice(0, shownRows)
  return {
    bar,
    help: own[0]!.plan.help,
    count: own.length,
    sums: sumByCurrency(own),
    rows: shown.map((one) => ({
      id: one.id,
      orderNumber: one.orderNumber,
      customerName: one.customerName,
      reason: one.plan.reason,
    })),
  }
}
