import { isDeepStrictEqual } from 'node:util'
import { badInput, Refusal } from '../../../core/errors'
import type { TooLargeRule } from '../../../core/enclosures/carriage'
import type { DocumentKind } from '../../../core/documents/kinds'
import { wantsSecondLooks, type SecondLookRule } from '../../../core/documents/second-look'
import type { DigestRule } from '../../../core/dispatch/digest'
import type { MorningRule } from '../../../core/line/morning'
import type { ServiceRule } from '../../../core/shipping/carriers'
import type { LabelPrinting } from '../../../core/shipping/label-formats'
import type { SlipShows } from '../../../core/shipping/slip'
import { checkBoxes, type Box } from '../../../core/shipping/parcels'
import { isCompanyPrefix } from '../../../core/shipping/sscc'
import { starterReminders, type ReminderRule } from '../../../core/receivables/reminders'
import { isAddress } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Company } from '../../db/models'
import { addJob, addJobs } from '../../queue/add'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'
import { holidayRegions } from './calendar'
import { gate } from './queries'
import { company } from './house'
import {
  settingsRow,
  peopleWhoSend,
  pauseHouse,
  resumeHouse,
  openRuns,
  dispatchesDue,
  beginRehearsal,
  digestFromNow,
  morningFromTomorrow,
  stopRehearsal,
} from './settings-queries'
import type { Principal } from '../people/principal'

/*
 * The house's own settings: who is told of trouble, undo time, when silence counts as arrival; pausing all, and
 * rehearsal.
 * Called from the Company page by a supervisor; anybody at the desk may pause. Refuses an address that cannot
 * be written to.
 */

export interface HouseSettings {
  failureNoticeTo: string
  presumeSeconds: number
  undoMinutes: number
  rehearsalAddress: string
  zeroTotals: 'make' | 'skip'
  withdrawnStatuses: string[]
  heldStatuses: string[]
  withdrawnRule: 'list' | 'settle'
  documentDates: Partial<Record<DocumentKind, 'event'>>
  smallDifference: string
  /** What links in emails begin with. */
  publicAddress: string
  /** So many days a link to a file is good. */
  linkDays: number
  /** What becomes of an email that is larger than its mail account takes. */
  tooLarge: TooLargeRule
  /** What a letter costs that an email saves, in the house's currency. */
  postage: string
  /** Whether emails say when they are opened. */
  countOpens: boolean
  /** Whether customers who want it get what books nothing as a text that can be edited. */
  editableFiles: boolean
  /** The levels of payment reminders, and when they are due. */
  reminders: ReminderRule
  /** Whether a customer gets one statement for all brands with the same legal name and tax number. */
  statementsTogether: boolean
  /** The part of the country whose public holidays are kept; empty for those of the whole country. */
  holidayRegion: string
  /** The boxes that it packs into. */
  boxes: Box[]
  /** Which service goods go by that say nothing themselves, the first that applies. */
  serviceRules: ServiceRule[]
  labelPrinting: LabelPrinting
  /** The company prefix that GS1 gave, for SSCCs; empty for none. */
  gs1Prefix: string
  /** What packing slips say of the buyer, and whether they say prices. */
  slipShows: SlipShows
  /** Whom the email of the morning goes to, and when. */
  morning: MorningRule | null
  /** Who reads once a day what went. */
  digest: DigestRule | null
  /** What a second person has to send. */
  secondLook: SecondLookRule
}

export async function houseSettings(): Promise<HouseSettings> {
  const settings = (await settingsRow())!
  return { ...settings, reminders: settings.reminders ?? starterReminders }
}

/** What of the settings stands on documents: those that are prepared are built anew. */
const standsOnDocuments = ['documentDates', 'labelPrinting', 'slipShows', 'statementsTogether'] as const

/**
 * @param was how the settings that change were, for whoever changes them
 * @throws Refusal "bad-address", "unknown-status", "no-such-region", "changed-meanwhile"
 */
export async function changeHouse(
  change: Partial<HouseSettings>,
  was?: Partial<HouseSettings>,
): Promise<void> {
  const { orderStatuses, country } = await company()
  for (const field of ['withdrawnStatuses', 'heldStatuses'] as const) {
    const unknown = change[field]?.find((status) => !orderStatuses.includes(status))
    if (unknown) throw badInput('unknown-status', field, { status: unknown })
  }
  for (const field of ['failureNoticeTo', 'rehearsalAddress'] as const) {
    if (change[field] && !isAddress(change[field]))
      throw badInput('bad-address', field, { address: change[field] })
  }
  if (
    change.holidayRegion &&
    !(await holidayRegions(country)).some((one) => one.code === change.holidayRegion)
  )
    throw badInput('no-such-region', 'holidayRegion', { region: change.holidayRegion })
  if (change.morning && !isAddress(change.morning.to))
    throw badInput('bad-address', 'morning', { address: change.morning.to })
  const odd = change.digest?.to.find((address) => !isAddress(address))
  if (odd !== undefined) throw badInput('bad-address', 'digest', { address: odd })
  if (change.secondLook && wantsSecondLooks(change.secondLook) && (await peopleWhoSend())!.count < 2)
    throw badInput('nobody-second', 'secondLook')
  if (change.boxes) checkBoxes(change.boxes)
  if (change.gs1Prefix && !isCompanyPrefix(change.gs1Prefix)) throw badInput('bad-gs1-prefix', 'gs1Prefix')
  await inTransaction(async () => {
    if (was) await checkSame(Object.keys(change) as (keyof HouseSettings)[], was)
    if (change.rehearsalAddress === '' && (await gate(true)).rehearsalSince) throw new Refusal('rehearsing')
    if (change.digest) await digestFromNow(clock.now())
    // what is left out stays
    await Company.update(change, { where: { id: 1 } })
    if (change.holidayRegion !== undefined) await addJob('plan-turns', {})
    if (change.morning) await morningFromTomorrow(clock.now())
    if (standsOnDocuments.some((setting) => change[setting] !== undefined)) await markAllStale()
    publish('house')
  })
}

/** Nobody saves over what another one just saved. @throws Refusal "changed-meanwhile" */
async function checkSame(
  fields: readonly (keyof HouseSettings)[],
  was: Partial<HouseSettings>,
): Promise<void> {
  await gate(true)
  const now = await houseSettings()
  if (!fields.every((field) => isDeepStrictEqual(now[field], was[field])))
    throw new Refusal('changed-meanwhile/settings')
}

/** Stops all issuing and sending until somebody resumes it. What was already handed over goes on its way. */
export async function pauseAll(reason: string, who: Principal): Promise<void> {
  await inTransaction(async () => {
    await pauseHouse({ now: clock.now(), actor: who.name, reason })
    publish('house')
    publish('line')
  })
}

/**
 * Lets everything go on; what became due meanwhile goes now. @throws Refusal "confirm-first" for a copied
 * database
 */
export async function resumeAll(): Promise<void> {
  if ((await gate()).confirmNeeded) throw new Refusal('confirm-first')
  await inTransaction(async () => {
    const resumed = await resumeHouse()
    if (resumed === 0) return
    await addJob('issue-prepared', { preparedIds: [] })
    for (const { id } of await openRuns()) await addJob('send-run', { runId: id })
    const due = await dispatchesDue(clock.now())
    await addJobs(
      'send-dispatches',
      due.map((one) => one.id),
      10,
      (dispatchIds) => ({ dispatchIds }),
    )
    publish('house')
    publish('line')
  })
}

/**
 * From now on nothing leaves the house: everything goes to the rehearsal address, marked. @throws Refusal
 * "no-rehearsal-address"
 */
export async function startRehearsal(who: Principal): Promise<void> {
  await inTransaction(async () => {
    const now = await gate(true)
    if (!isAddress(now.rehearsalAddress))
      throw new Refusal('no-rehearsal-address', { about: { field: 'rehearsalAddress' } })
    await beginRehearsal(clock.now(), who.name)
    publish('house')
    publish('line')
  })
}

/** Papers go for real again. What was rehearsed waits for a person: papers in To check, emails held under Waiting. */
export async function endRehearsal(): Promise<void> {
  await inTransaction(async () => {
    await stopRehearsal()
    publish('house')
    publish('line')
  })
}
