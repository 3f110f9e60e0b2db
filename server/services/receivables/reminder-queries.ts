import type { Day } from '../../../core/documents/days'
import type { OpenChange } from '../../../core/receivables/interest'
import type { MoneyArrived } from '../../../core/receivables/reminders'
import { one, rows, run } from '../../db/connection'
import type { InvoiceToRemind } from './remind-of-invoice'

/* The statements of reminders.ts. */

/** The last reminder of each of these invoices, as it was on a day. */
export const lastReminders = (documentIds: readonly number[], until: Day) =>
  rows<{ documentId: number; level: number; remindedOn: Day }>(
    `select document_id "documentId", max(level) level, max(day)::text "remindedOn"
    from reminder
    where document_id = any($documentIds::int[]) and day <= $until::date
    group by document_id`,
    { documentIds, until },
  )

/** What was settled of these documents until a day. */
export const changesOf = (documentIds: readonly number[], until: Day) =>
  rows<OpenChange & { documentId: number }>(
    `select document_id "documentId", day::text "day", amount::text amount
    from settled
    where document_id = any($documentIds::int[]) and day <= $until::date`,
    { documentIds, until },
  )

/** The interest that letters have booked on these invoices until a day. */
export const interestBooked = (documentIds: readonly number[], until: Day) =>
  rows<{ documentId: number; amount: string }>(
    `select b.document_id "documentId", sum(b.amount)::text amount
    from booked_interest b
    join document l on l.id = b.reminder_id and l.date <= $until::date
    where b.document_id = any($documentIds::int[])
    group by b.document_id`,
    { documentIds, until },
  )

/** Where the customers of accounts belong, for the rates of interest. */
export const placesOf = (accountIds: readonly number[]) =>
  rows<{ accountId: number; group: string; country: string }>(
    `select a.id "accountId", coalesce(c.group_name, '') "group", coalesce(c.billing ->> 'country', '') country
    from account a
    join customer c on c.id = a.customer_id
    where a.id = any($accountIds::int[])`,
    { accountIds },
  )

/** An invoice as it can be reminded of by itself, with the day of its last reminder, by letter or by email. */
export const invoiceToRemind = (documentId: number, timeZone: string) =>
  one<InvoiceToRemind>(
    `select d.number, i.open::text open, i.due_date::text "dueDate", i.dispute, i.dispute <> '' disputed,
      i.promised_on::text "promisedOn", a.id "accountId",
      greatest(
        (select max(r.day) from reminder r where r.document_id = d.id),
        (
          select max((m.created_at at time zone $timeZone)::date)
          from dispatch m
          join dispatch_document dd on dd.dispatch_id = m.id
          where dd.document_id = d.id and m.unpaid is not null and m.state <> 'closed'
        )
      )::text "remindedOn"
    from document d
    join open_item i on i.document_id = d.id
    left join account a
      on a.customer_id = d.customer_id and a.brand_id = d.brand_id and a.currency = d.currency
    where d.id = $documentId and d.kind = 'invoice'`,
    { documentId, timeZone },
  )

/** The newest money that the bank says has come from the customers of these accounts and that is not booked yet. */
export const moneyArrived = (accountIds: readonly number[]) =>
  rows<MoneyArrived & { accountId: number }>(
    `select distinct on (a.id) a.id "accountId", e.booked_on::text "day", e.amount::text amount, e.currency
    from account a
    join customer c on c.id = a.customer_id
    join bank_entry e
      on e.state in ('sure', 'unsure', 'strange', 'to book') and e.amount > 0
      and ((e.proposal ->> 'customerId')::int = c.id or lower(e.name) = lower(c.name))
    where a.id = any($accountIds::int[])
    order by a.id, e.booked_on desc, e.id desc`,
    { accountIds },
  )

/** The reminder of an account that waits to be sent. */
export const reminderWaiting = (accountId: number) =>
  one<{ day: Day }>(
    `select order_date::text "day"
    from prepared_document
    where source_id = $accountId and kind = 'payment reminder' and state = 'prepared'
    limit 1`,
    { accountId },
  )

/** The newest reminder of each of these accounts that was not sent yet. */
export const remindersWaiting = (ids: readonly number[]) =>
  rows<{ id: number; day: Day; state: string }>(
    `select distinct on (source_id) source_id id, order_date::text "day", state
    from prepared_document
    where source_id = any($ids::int[]) and kind = 'payment reminder' and state in ('prepared', 'due', 'put back')
    order by source_id, id desc`,
    { ids },
  )

/** A letter that was voided reminded of nothing, and booked no interest. */
export const forgetVoided = (accountId: number) =>
  run(
    `with
      voided as (
        select d.id
        from document d
        join document_void v on v.document_id = d.id
        where d.source_id = $accountId
      ),
      interest as (
        delete from booked_interest
        where reminder_id in (select id from voided)
      )
    delete from reminder
    where reminder_id in (select id from voided)`,
    { accountId },
  )
