import { type StuckCause, type Stage, stages } from '../../../core/dispatch/states'
import { dayInZone } from '../../../core/documents/days'
import { told } from '../../../core/said/told'
import type { SaidKey } from '../../../core/said/sentences'
import { clock } from '../../clock'
import { one, rows } from '../../db/connection'
import { stopOf } from '../dispatch/stopped-queries'
import { company } from '../house/house'
import { type Principal, theHouse } from '../people/principal'
import { within } from '../people/brand-queries'
import type { StageCount } from './counts'

/* The statements of counts.ts. */

/** SQL: that unsent document `u` is of a brand which this one may see. */
const unsentWithin = (who: Principal) =>
  who.brands === null ? 'true' : `u.document_id in (select id from document where ${within(who, 'brand_id')})`

type Counted = Exclude<
  Extract<SaidKey, `fact/${string}`> extends `fact/${infer Name}` ? Name : never,
  'today' | 'stuck'
>

/** The six counts; each from its own partial index. Arrived counts today's, in the house's zone. */
export async function lineCounts(who = theHouse): Promise<StageCount[]> {
  const { timeZone } = await company()
  const today = dayInZone(clock.now(), timeZone)
  const document = `prepared_document p where ${within(who, 'p.brand_id')} and p.state`
  const toCheck = `${document} = 'prepared' and not p.automatic`
  const email = `dispatch s where ${within(who, 's.brand_id')} and s.state`
  const arrivedToday = `${email} = 'arrived' and s.arrived_at >= ($1::date::timestamp at time zone $2)`
  const counts = (await one<
    Record<string, number> & { oldestToCheck: Date | null; nextGo: Date | null; oldestOnTheWay: Date | null }
  >(
    `select (select count(*)::int from ${document} = 'due') due,
      (select count(*)::int from ${document} = 'put back') back,
      (select count(*)::int from undelivered u where ${unsentWithin(who)}) undelivered,
      (select count(*)::int from ${toCheck}) "toCheck", (select min(p.since) from ${toCheck}) "oldestToCheck",
      (select count(*)::int from ${toCheck} and p.changes is not null) changed,
      (select count(*)::int from ${toCheck} and p.kept_back) "keptBack",
      (select count(*)::int from ${toCheck} and p.once_complete is not null) incomplete,
      (select count(*)::int from ${toCheck} and ${stopOf('p')} is not null) stopped,
      (select count(*)::int from ${toCheck} and p.asked is not null) asked,
      (select count(*)::int from ${email} = 'waiting' and s.held) held,
      (select count(*)::int from ${email} in ('waiting', 'claimed', 'handing over')) waiting,
      (select count(*)::int from ${email} = 'waiting' and s.channel = 'paper' and not s.held) "printQueue",
      (
        select min(s.next_try_at) from ${email} = 'waiting' and s.channel = 'email' and s.ready and not s.held
      ) "nextGo",
      (select count(*)::int from ${email} = 'on the way') "onTheWay",
      (select min(s.since) from ${email} = 'on the way') "oldestOnTheWay",
      (select count(*)::int from ${arrivedToday}) arrived,
      (select count(*)::int from ${arrivedToday} and s.channel = 'paper') posted`,
    [today, timeZone],
  ))!
  const stuck = await rows<{ cause: StuckCause; count: number }>(
    `select s.stuck_cause cause, count(*)::int count
    from ${email} = 'stuck'
    group by 1
    order by 2 desc, 1`,
  )
  const some = (...names: Counted[]) =>
    names.flatMap((name) => (counts[name] ? [told(`fact/${name}`, { n: counts[name] })] : []))
  const of: Record<Stage, Omit<StageCount, 'stage'>> = {
    'to send': {
      count: counts.due! + counts.back! + counts.undelivered!,
      facts: some('due', 'back', 'undelivered'),
      at: null,
    },
    'to check': {
      count: counts.toCheck!,
      facts: some('asked', 'keptBack', 'incomplete', 'stopped', 'changed'),
      at: counts.oldestToCheck,
    },
    waiting: {
      count: counts.waiting!,
      facts: some('printQueue', 'held'),
      at: counts.nextGo,
    },
    'on the way': { count: counts.onTheWay!, facts: [], at: counts.oldestOnTheWay },
    arrived: { count: counts.arrived!, facts: [told('fact/today'), ...some('posted')], at: null },
    stuck: {
      count: stuck.reduce((total, row) => total + row.count, 0),
      facts: stuck
        .slice(0, 2)
        .map(({ count, cause }) => told('fact/stuck', { n: count, cause: told(`cause/${cause}`) })),
      at: null,
    },
  }
  return stages.map((stage) => ({ stage, ...of[stage] }))
}
