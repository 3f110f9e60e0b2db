import { dayInZone } from '../../../core/documents/days'
import { stages, stuckWords, type Stage, type StuckCause } from '../../../core/dispatch/states'
import { clock } from '../../clock'
import { one, rows } from '../../db/connection'
import { company } from '../house/house'
import { stopOf } from '../dispatch/stopped'
import { theHouse, within } from '../people/principal'

/** A stage's count and the facts its cloth shows. Times are instants; the page words them. */
export interface StageCount {
  stage: Stage
  count: number
  /** "4 not made", "2 put back" and the like. */
  facts: string[]
  /** Oldest in the stage, or when the next goes, where that is the fact that matters. */
  at: Date | null
}

/** The six counts; each from its own partial index. Arrived counts today's, in the house's zone. */
export async function lineCounts(who = theHouse): Promise<StageCount[]> {
  const own = within(who, 'brand_id')
  const { timeZone } = await company()
  const today = dayInZone(clock.now(), timeZone)
  const counts = (await one<
    Record<string, number> & { oldestToCheck: Date | null; nextGo: Date | null; oldestOnTheWay: Date | null }
  >(
    `select (select count(*)::int from prepared_document where ${own} and state = 'due') due,
      (select count(*)::int from prepared_document where ${own} and state = 'put back') back,
      (select count(*)::int from undelivered where ${own === 'true' ? own : `document_id in (select id from document where ${own})`}) undelivered,
      (select count(*)::int from prepared_document where ${own} and state = 'prepared' and not automatic) "toCheck",
      (select min(since) from prepared_document where ${own} and state = 'prepared' and not automatic) "oldestToCheck",
      (
        select count(*)::int from prepared_document where ${own} and state = 'prepared' and not automatic and changes is not null
      ) changed,
      (select count(*)::int from prepared_document where ${own} and state = 'prepared' and not automatic and kept_back) "keptBack",
      (
        select count(*)::int
        from prepared_document p
        where ${own} and state = 'prepared' and not automatic and ${stopOf('p')} is not null
      ) stopped,
      (select count(*)::int from dispatch where ${own} and state = 'waiting' and held) held,
      (select count(*)::int from dispatch where state in ('waiting', 'claimed', 'handing over')) waiting,
      (select count(*)::int from dispatch where ${own} and state = 'waiting' and channel = 'paper' and not held) "printQueue",
      (
        select min(next_try_at)
        from dispatch
        where ${own} and state = 'waiting' and channel = 'email' and ready and not held
      ) "nextGo",
      (select count(*)::int from dispatch where ${own} and state = 'on the way') "onTheWay",
      (select min(since) from dispatch where ${own} and state = 'on the way') "oldestOnTheWay",
      (
        select count(*)::int
        from dispatch
        where ${own} and state = 'arrived' and arrived_at >= ($1::date::timestamp at time zone $2)
      ) arrived,
      (
        select count(*)::int
        from dispatch
        where ${own} and state = 'arrived' and channel = 'paper' and arrived_at >= ($1::date::timestamp at time zone $2)
      ) posted`,
    [today, timeZone],
  ))!
  const stuck = await rows<{ cause: StuckCause; count: number }>(
    `select stuck_cause cause, count(*)::int count
    from dispatch
    where ${own} and state = 'stuck'
    group by 1
    order by 2 desc, 1`,
  )
  const some = (count: number | undefined, words: string) => (count ? [`${count} ${words}`] : [])
  const of: Record<Stage, Omit<StageCount, 'stage'>> = {
    'to send': {
      count: counts.due! + counts.back! + counts.undelivered!,
      facts: [
        ...some(counts.due, 'not made'),
        ...some(counts.back, 'put back'),
        ...some(counts.undelivered, 'issued, not sent'),
      ],
      at: null,
    },
    'to check': {
      count: counts.toCheck!,
      facts: [
        ...some(counts.keptBack, 'could not go automatically'),
        ...some(counts.stopped, 'of held orders'),
        ...some(counts.changed, 'changed'),
      ],
      at: counts.oldestToCheck,
    },
    waiting: {
      count: counts.waiting!,
      facts: [...some(counts.printQueue, 'to print'), ...some(counts.held, 'held')],
      at: counts.nextGo,
    },
    'on the way': { count: counts.onTheWay!, facts: [], at: counts.oldestOnTheWay },
    arrived: { count: counts.arrived!, facts: ['today', ...some(counts.posted, 'on paper')], at: null },
    stuck: {
      count: stuck.reduce((total, row) => total + row.count, 0),
      facts: stuck.slice(0, 2).map((row) => `${row.count} ${stuckWords[row.cause].label}`),
      at: null,
    },
  }
  return stages.map((stage) => ({ stage, ...of[stage] }))
}
