import { slotsFor, toldPace } from '../../../core/dispatch/pace'
import { groupBy } from '../../../core/group'
import { told } from '../../../core/said/told'
import { clock } from '../../clock'
import { addJob } from '../../queue/add'
import { noteAll } from '../history/history'
import { publish } from '../live/publish'
import {
  emailsToPace,
  forgetSlots,
  giveSlots,
  keepSlots,
  lockPacedAccounts,
  slotsGiven,
} from './pace-queries'

/*
 * What a mail account takes in a minute, an hour and a day: emails over it wait their turn, and are never refused.
 * Called by sending as it claims, in its transaction. Dies half-way: nobody was given a minute.
 */

const minuteLong = 60_000
const dayLong = 24 * 60 * minuteLong

/** @returns those of the dispatches that may go now; the others have their minute, and a job that wakes them then */
export async function paced(ids: readonly number[]): Promise<number[]> {
  const accounts = ids.length === 0 ? [] : await lockPacedAccounts()
  if (accounts.length === 0) return [...ids]
  const now = clock.now().getTime()
  const emails = await emailsToPace(
    ids,
    accounts.map((account) => account.id),
    new Date(now),
  )
  const thisMinute = Math.floor(now / minuteLong)
  const at = (minute: number) => new Date(minute * minuteLong)
  const later = new Set<number>()
  const wait = async (turns: readonly { id: number; minute: number }[]) => {
    for (const [minute, same] of groupBy(turns, (turn) => turn.minute))
      await addJob('send-dispatches', { dispatchIds: same.map(({ id }) => id) }, { runAt: at(minute) })
    for (const { id } of turns) later.add(id)
  }
  // who was asked to go before its turn keeps it: nothing overtakes
  const early = emails.flatMap(({ id, slotAt }) =>
    slotAt ? [{ id, minute: slotAt.getTime() / minuteLong }] : [],
  )
  await giveSlots(early.map(({ id, minute }) => ({ id, at: at(minute) })))
  await wait(early)
  const fresh = emails.filter((email) => email.slotAt === null)
  for (const [accountId, own] of groupBy(fresh, (email) => email.accountId)) {
    const account = accounts.find((one) => one.id === accountId)!
    const given = await slotsGiven(accountId, new Date(now - dayLong))
    const slots = slotsFor(
      own.length,
      thisMinute,
      account,
      new Map(given.map(({ minute, emails }) => [minute, emails])),
    )
    await keepSlots(
      accountId,
      [...groupBy(slots, (minute) => minute)].map(([minute, same]) => ({
        minute: at(minute),
        emails: same.length,
      })),
    )
    await forgetSlots(accountId, new Date(now - 2 * dayLong))
    const turns = own.map(({ id }, index) => ({ id, minute: slots[index]! }))
    await giveSlots(turns.map(({ id, minute }) => ({ id, at: at(minute) })))
    const waiting = turns.filter(({ minute }) => minute > thisMinute)
    await wait(waiting)
    await noteAll(
      waiting.map(({ id }) => ({
        dispatchId: id,
        actor: 'Clothespin',
        ...told('sent/waits-turn', { account: account.name, pace: toldPace(account) }),
      })),
    )
  }
  if (later.size > 0) publish('line')
  return ids.filter((id) => !later.has(id))
}
