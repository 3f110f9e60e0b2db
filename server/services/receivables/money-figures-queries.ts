import type { Day } from '../../../core/documents/days'
import { ageingSteps } from '../../../core/receivables/ageing'
import { rows } from '../../db/connection'
import { within as ofBrands } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { LevelFigures, MonthOwed } from './money-figures'

/* The statements of money-figures.ts. */

export const currenciesBooked = (who: Principal) =>
  rows<{ currency: string }>(
    `select distinct d.currency
    from open_item i
    join document d on d.id = i.document_id
    where ${ofBrands(who, 'd.brand_id')}
    order by 1`,
  )

/** SQL: the sum of amounts in an ageing step. */
const stepSum = (_: string, step: number) =>
  `coalesce(sum(a.amount) filter (where a.step = ${step}), 0)::text`

/**
 * What was owed at the end of days, by age. An invoice and what settled it are bookings of their days: together they
 * are what was open of it on any day. What reminders booked is owed, and was not sold.
 */
export const owedAt = (
  who: Principal,
  given: { ends: readonly Day[]; currency: string; salesDays: number },
) =>
  rows<Pick<MonthOwed, 'until' | 'steps' | 'open' | 'invoiced'> & { days: number | null }>(
    `with
      item as (
        select d.id, d.kind, d.date as day, i.due_date, i.amount
        from open_item i
        join document d on d.id = i.document_id
        where d.currency = $currency and ${ofBrands(who, 'd.brand_id')}
          and not exists (select from document_void v where v.document_id = d.id)
      ),
      booking as (
        select day, due_date, amount
        from item
        where amount > 0
        union all
        select s.day, i.due_date, s.amount
        from item i
        join settled s on s.document_id = i.id
        where i.amount > 0
      ),
      aged as (
        select m.until, b.amount,
          case
            when b.due_date >= m.until then 0
            when m.until - b.due_date <= 30 then 1
            when m.until - b.due_date <= 60 then 2
            when m.until - b.due_date <= 90 then 3
            else 4
          end step
        from unnest($ends::date[]) m (until)
        join booking b on b.day <= m.until
      )
    select m.until::text until, array[${ageingSteps.map(stepSum).join(', ')}] steps,
      coalesce(sum(a.amount), 0)::text open,
      (
        select coalesce(sum(i.amount), 0)::text
        from item i
        where i.day <= m.until and i.day > m.until - $salesDays::int and i.kind <> 'payment reminder'
      ) invoiced,
      least($salesDays::int, m.until - (select min(i.day) from item i) + 1) days
    from unnest($ends::date[]) m (until)
    left join aged a on a.until = m.until
    group by m.until
    order by m.until`,
    given,
  )

/** What was asked for at each level, and what came of it within days. */
export const afterReminders = (
  who: Principal,
  given: { currency: string; since: Day; within: readonly number[] },
) =>
  rows<Omit<LevelFigures, 'name'>>(
    `select r.level, count(*)::int items, coalesce(sum(i.amount + coalesce(s.before, 0)), 0)::text asked,
      array[${given.within.map((days) => `coalesce(-sum(s."in${days}"), 0)::text`).join(', ')}] came
    from reminder r
    join document d on d.id = r.document_id
    join open_item i on i.document_id = d.id
    left join lateral (
      select sum(x.amount) filter (where x.day <= r.day) before,
        ${given.within
          .map(
            (days) =>
              `sum(x.amount) filter (
              where x.kind = 'payment' and x.day > r.day and x.day <= r.day + ${days}
            ) "in${days}"`,
          )
          .join(', ')}
      from settled x
      where x.document_id = d.id
    ) s on true
    where r.day > $since::date and d.currency = $currency and ${ofBrands(who, 'd.brand_id')}
    group by r.level
    order by r.level`,
    { currency: given.currency, since: given.since },
  )
