import { postedKinds } from '../../../core/documents/kinds'
import type { Terms } from '../../../core/documents/terms'
import type { ConditionSeen } from '../../../core/routines/routine'
import { one, rows, run } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { LookedAt, OpenRow, PaymentRow, StatementRow } from './accounts'
import { paymentColumns } from './accounts-queries'

/* The statements of one customer's account, for accounts.ts. */

export const accountHead = (customerId: number) =>
  one<{ name: string; number: string; currency: string; terms: Terms }>(
    'select name, number, currency, terms from customer where id = $customerId',
    { customerId },
  )

export const openItemsOf = (who: Principal, customerId: number) =>
  rows<Omit<OpenRow, 'late'>>(
    `select d.id, d.number, d.kind, d.date::text date, i.due_date::text "dueDate",
      d.order_number "orderNumber", i.currency, i.amount::text amount, i.open::text open, i.dispute,
      i.promised_on::text "promisedOn", i.marked_by "markedBy",
      (
        select coalesce(
          jsonb_agg(
            jsonb_build_object('level', r.level, 'day', r.day, 'number', l.number, 'letterId', l.id)
            order by r.level
          ), '[]'
        )
        from reminder r
        join document l on l.id = r.reminder_id
        where r.document_id = d.id
      ) reminders
    from open_item i
    join document d on d.id = i.document_id
    where i.customer_id = $customerId and i.open <> 0 and ${within(who, 'd.brand_id')}
    order by i.due_date, d.id
    limit 1000`,
    { customerId },
  )

export const paymentsOf = (who: Principal, customerId: number) =>
  rows<PaymentRow>(
    `select ${paymentColumns}
    from payment p
    join customer c on c.id = p.customer_id
    where p.customer_id = $customerId and ${within(who, 'p.brand_id')}
    order by p.id desc
    limit 60`,
    { customerId },
  )

export const currenciesOf = (who: Principal, customerId: number) =>
  rows<{ currency: string }>(
    `select currency
    from document
    where customer_id = $customerId and kind = any($kinds) and ${within(who, 'brand_id')}
    union
    select currency
    from payment
    where customer_id = $customerId and ${within(who, 'brand_id')}
    order by 1`,
    { customerId, kinds: postedKinds },
  )

export const statementsOf = (who: Principal, customerId: number) =>
  rows<Omit<StatementRow, 'period'> & { occasion: string }>(
    `select p.id "preparedId", d.id "documentId", d.number, b.name brand, p.occasion,
      coalesce(d.date, p.order_date)::text "day", coalesce(d.total, p.total)::text balance, p.currency,
      exists (select from document_void v where v.document_id = d.id) voided
    from account a
    join prepared_document p on p.source_id = a.id and p.state in ('prepared', 'issued')
    join brand b on b.id = a.brand_id
    left join document d on d.prepared_id = p.id
    where a.customer_id = $customerId and ${within(who, 'a.brand_id')}
    order by p.id desc
    limit 12`,
    { customerId },
  )

export const looksAt = (who: Principal, customerId: number) =>
  rows<Omit<LookedAt, 'unmet'> & { seen: ConditionSeen[] }>(
    `select *
    from (
      select distinct on (v.routine_id, a.id) r.name routine, v.at, b.name brand, v.outcome, v.reason, v.seen
      from account a
      join evaluation v on v.source_id = a.id
      join routine r on r.id = v.routine_id
      join brand b on b.id = a.brand_id
      where a.customer_id = $customerId and ${within(who, 'a.brand_id')}
      order by v.routine_id, a.id, v.id desc
    ) x
    order by x.at desc
    limit 8`,
    { customerId },
  )

export const updateMark = (given: {
  documentId: number
  dispute: string | null
  promiseGiven: boolean
  promisedOn: string | null
  actor: string
  now: Date
}) =>
  run(
    `update open_item
    set dispute = coalesce($dispute::text, dispute),
      promised_on = case when $promiseGiven then $promisedOn::date else promised_on end,
      marked_by = $actor, marked_at = $now
    where document_id = $documentId and open <> 0`,
    given,
  )

/** Deletes the level at which an item was reminded, where it is still its highest. */
export const forgetLevel = (documentId: number, level: number) =>
  one<{ level: number }>(
    `delete from reminder r
    where r.document_id = $documentId and r.level = $level
      and not exists (select from reminder o where o.document_id = $documentId and o.level > $level)
    returning r.level`,
    { documentId, level },
  )
