import { addDays, dayInZone, type Day } from '../../../core/documents/days'
import { Decimal } from '../../../core/money/decimal'
import { clock } from '../../clock'
import { company } from '../house/house'
import { houseSettings } from '../house/settings'
import type { Principal } from '../people/principal'
import {
  figuresByDay,
  figuresByDomain,
  figuresInAll,
  type DayFigures,
  type DomainFigures,
  type WholeFigures,
} from './figures-queries'

/*
 * What became of emails and letters over some days, by day and by domain, and what they saved. Called from the page of
 * figures; it reads and changes nothing.
 */

const mostDomains = 20

export interface Figures extends WholeFigures {
  from: Day
  to: Day
  /** Every day of the span, those without anything as well. */
  days: DayFigures[]
  domains: DomainFigures[]
  /** What a letter costs, and what emails saved of it, in the house's currency. */
  postage: string
  saved: string
  currency: string
}

/** @param count so many days, until today */
export async function figures(count: number, who: Principal): Promise<Figures> {
  const { timeZone, currency } = await company()
  const { postage } = await houseSettings()
  const to = dayInZone(clock.now(), timeZone)
  const from = addDays(to, 1 - count)
  const span = { from, to, timeZone }
  const [found, domains, all] = await Promise.all([
    figuresByDay(who, span),
    figuresByDomain(who, { ...span, most: mostDomains }),
    figuresInAll(who, span),
  ])
  const byDay = new Map(found.map((one) => [one.day, one]))
  const days = Array.from({ length: count }, (_, at) => addDays(from, at)).map(
    (day) => byDay.get(day) ?? { day, arrived: 0, onTheWay: 0, waiting: 0, stuck: 0, closed: 0 },
  )
  return {
    ...all!,
    from,
    to,
    days,
    domains,
    postage,
    saved: new Decimal(postage).times(all!.emails).toFixed(2),
    currency,
  }
}
