import { Logger, run } from 'graphile-worker'
import { addDays, dayInZone, instantInZone, type Day } from '../core/documents/days'
import { clock } from '../server/clock'
import { config } from '../server/config'
import { one, rows } from '../server/db/connection'
import { taskList } from '../server/queue/run-worker'
import { listenForReports } from '../server/outside/mail/listener'
import { keepReport } from '../server/services/dispatch/reports'
import { closeMailConnections } from '../server/outside/mail/smtp'
import { closeRenderPool } from '../server/render/pool'
import { decideByHand } from '../server/services/dispatch/by-hand'
import { sweep } from '../server/services/dispatch/sweep'
import { addOrder } from '../server/services/orders/orders'
import { setStatus } from '../server/services/orders/status'
import { addRoutines } from './routines'
import { today } from './today'
import { livePayments } from './payments'
import { remindOfLate, reminderDays } from './statements'
import type { Story } from './orders'
import { inTheNameOf } from '../server/services/people/principal'

const desk = 'Order desk'
const clerk = 'Col Varley'

/**
 * Lives through the days before today: orders come in and move on, the routine writes its invoices, the mail
 * goes.
 */
export async function livePast(
  all: readonly Story[],
  { now, days, zone, reminds }: { now: Date; days: number; zone: string; reminds: boolean },
): Promise<void> {
  const day = (daysAgo: number): Day => addDays(dayInZone(now, zone), -daysAgo)
  let time = now
  const putClockBack = clock.use(() => time)
  /** Today's hours are as short as the day is young: who looks at seven finds a whole day behind it. */
  const at = (daysAgo: number, hour: number) => {
    const midnight = instantInZone(day(daysAgo), '00:00', zone).getTime()
    const sinceMidnight = now.getTime() - 10 * 60_000 - midnight
    const length = Math.min(3_600_000, Math.max(20_000, sinceMidnight / 17))
    time = new Date(midnight + hour * length)
  }
  at(days + 1, 9)
  const routine = await addRoutines()
  const runner = await run({
    connectionString: config.databaseUrl,
    concurrency: 4,
    taskList: taskList('loader'),
    noHandleSignals: true,
    logger: new Logger(() => () => {}),
    pollInterval: 1000,
  })
  const listener = listenForReports(keepReport)
  const ids = new Map<Story, number>()
  const settle = async () => {
    await quiet()
    time = new Date(time.getTime() + 40_000)
    await sweep()
    await quiet()
  }
  for (let daysAgo = days; daysAgo >= 0; daysAgo--) {
    at(daysAgo, 8)
    for (const story of all.filter((one) => one.cameIn === daysAgo))
      ids.set(story, await addOrder({ ...story.order, date: day(daysAgo) }, inTheNameOf(desk)))
    await move(all, ids, daysAgo, at)
    await quiet()
    const leaving = all.filter((story) => story.shipped === daysAgo).map((story) => ids.get(story)!)
    at(daysAgo, 13)
    await livePayments(day(daysAgo), daysAgo)
    if (daysAgo === 0) await today(leaving, routine, at, settle)
    else if (leaving.length > 0) {
      at(daysAgo, 14)
      await setStatus(leaving, 'Shipped', inTheNameOf(clerk))
      await settle()
      await postPaper(daysAgo)
    }
    if (reminds && reminderDays.includes(daysAgo)) {
      at(daysAgo, 15)
      await remindOfLate(day(daysAgo))
      await settle()
    }
  }
  await runner.stop()
  await listener.close()
  closeMailConnections()
  await closeRenderPool()
  putClockBack()

  /** Paper customers' invoices are posted the same day; the last ones still wait. */
  async function postPaper(daysAgo: number): Promise<void> {
    if (daysAgo < 3) return
    const waiting = await rows<{ id: number }>(
      `select id from dispatch where channel = 'paper' and state = 'waiting'`,
    )
    if (waiting.length > 0)
      await decideByHand(
        waiting.map((row) => row.id),
        'print',
        '',
        inTheNameOf(clerk),
      )
  }
}

/** Orders on their way through the house. */
async function move(
  all: readonly Story[],
  ids: Map<Story, number>,
  daysAgo: number,
  at: (daysAgo: number, hour: number) => void,
): Promise<void> {
  const to = async (status: string, hour: number, due: (story: Story) => boolean) => {
    const moving = all.filter(due).map((story) => ids.get(story)!)
    at(daysAgo, hour)
    if (moving.length > 0)
      await setStatus(
        moving,
        status,
        status === 'Held' || status === 'Withdrawn' ? inTheNameOf('Maeve Tarrant') : inTheNameOf(desk),
      )
  }
  const further = ['In picking', 'Packed', 'Shipped', 'Closed']
  await to('Confirmed', 9, (story) => story.cameIn === daysAgo && story.ends !== 'Draft')
  await to(
    'In picking',
    10,
    (story) => Math.max(0, story.cameIn - 1) === daysAgo && further.includes(story.ends),
  )
  await to(
    'Packed',
    11,
    (story) =>
      (story.shipped ?? Math.max(0, story.cameIn - 2)) === daysAgo && further.slice(1).includes(story.ends),
  )
  await to('Held', 12, (story) => Math.max(0, story.cameIn - 1) === daysAgo && story.ends === 'Held')
  await to(
    'Withdrawn',
    12,
    (story) => Math.max(0, story.cameIn - 1) === daysAgo && story.ends === 'Withdrawn',
  )
  await to(
    'Closed',
    16,
    (story) =>
      story.ends === 'Closed' &&
      story.shipped !== null &&
      Math.max(0, story.shipped - 10) === daysAgo &&
      daysAgo > 0,
  )
}

/** Waits until the queue has nothing to do now. */
async function quiet(): Promise<void> {
  for (;;) {
    const open = await one<{ open: number }>(
      `select count(*)::int open from graphile_worker.jobs where run_at <= now() and attempts < max_attempts`,
    )
    const busy = await one<{ busy: number }>(
      `select count(*)::int busy from dispatch where state = 'claimed'`,
    )
    if (open!.open === 0 && busy!.busy === 0) return
    await new Promise((resolve) => setTimeout(resolve, 15))
  }
}
