import type { PaymentFacts, SettledFacts } from '../../../core/documents/facts'
import { kindsOf } from '../../../core/documents/kinds'
import type { Candidate, Match } from '../../../core/receivables/match'
import { one, rows } from '../../db/connection'
import type { SubjectRow } from '../documents/paper-context'

/* The statements of receivables that have no file of their own. */

const candidateColumns = `
  d.id, d.number, d.date::text date, i.due_date::text "dueDate", i.currency, i.open::text open,
  i.amount::text amount, c.terms, c.id "customerId", c.name "customerName"`

const candidates =
  'open_item i join document d on d.id = i.document_id join customer c on c.id = i.customer_id'

export const candidatesByNumber = (numbers: readonly string[]) =>
  rows<Candidate & { bare: string; voided: boolean }>(
    `select ${candidateColumns}, upper(regexp_replace(d.number, '[^A-Za-z0-9]', '', 'g')) bare
    from ${candidates}
    where upper(regexp_replace(d.number, '[^A-Za-z0-9]', '', 'g')) = any($numbers::text[])
      and not exists (select from document_void v where v.document_id = d.id)
    order by d.id`,
    { numbers },
  )

/**
 * What statements and reminders of these numbers list and is open, with what a reminder itself booked: a payment may
 * name the letter instead of the invoices.
 */
export const candidatesByLetter = (numbers: readonly string[]) =>
  rows<Candidate & { bare: string }>(
    `with
      letter as (
        select l.id, l.paper, upper(regexp_replace(l.number, '[^A-Za-z0-9]', '', 'g')) bare
        from document l
        where upper(regexp_replace(l.number, '[^A-Za-z0-9]', '', 'g')) = any($numbers::text[])
          and l.kind in ('statement of account', 'payment reminder')
          and not exists (select from document_void v where v.document_id = l.id)
      ),
      listed as (
        select l.bare, (item ->> 'documentId')::int document_id
        from letter l
        cross join jsonb_array_elements(l.paper #> '{exact,statement,open}') item
        where item ->> 'documentId' is not null
        union
        select bare, id
        from letter
      )
    select ${candidateColumns}, x.bare
    from ${candidates}
    join listed x on x.document_id = d.id
    where i.open > 0
    order by i.due_date, d.id`,
    { numbers },
  )

export const candidatesByAmount = (amounts: readonly string[]) =>
  rows<Candidate>(
    `select ${candidateColumns}
    from ${candidates}
    where i.open = any($amounts::numeric[]) and i.open > 0
    order by i.due_date, d.id
    limit 5000`,
    { amounts },
  )

export const waitingProposals = (exceptFile: number | null) =>
  rows<Pick<Match, 'customerId' | 'settlements'>>(
    `select (e.proposal ->> 'customerId')::int "customerId", e.proposal -> 'settlements' settlements
    from bank_entry e
    where e.state = 'to book' or (e.state = 'sure' and e.file_id is distinct from $exceptFile)
    order by e.id`,
    { exceptFile },
  )

interface PaymentRow extends SubjectRow {
  direction: 'in' | 'out'
  day: string
  method: PaymentFacts['method']
  amount: string
  paid: string
  onAccount: string
}

export const paymentRows = (paymentIds: readonly number[]) =>
  rows<PaymentRow>(
    `select p.id "sourceId", p.direction, p.date::text "day", p.method, p.amount::text amount,
      p.open::text "onAccount", p.reference, null::int "creditsId",
      null::int "replacesId", null "wantedDate", p.date::text "eventDay", '' number, p.date::text "date",
      null "suppliedOn", p.currency, false "pricesIncludeTax", null "customerNote", null::jsonb delivery,
      '{}'::jsonb fields, c.fields "customerFields", c.salesperson, '0' prepaid,
      '[]'::jsonb adjustments, p.brand_id "brandId", null::int "branchId", p.version, 1 revision, p.amount::text total,
      c.id "customerId", c.number "customerNumber", c.name "customerName", c.tax_number "taxNumber", c.terms,
      c.language "customerLanguage", c.billing,
      preferences_for(c, p.id, $kinds::text[]) preferences, c.version "customerVersion", 'domestic' treatment
    from payment p
    join customer c on c.id = p.customer_id
    where p.id = any($paymentIds::int[])`,
    { paymentIds, kinds: kindsOf('payment') },
  )

export const settledOfPayments = (paymentIds: readonly number[]) =>
  rows<SettledFacts & { paymentId: number }>(
    `select a.payment_id "paymentId", d.kind, d.number, d.date::text date, i.open::text "left",
      coalesce(sum(a.amount) filter (where a.kind = 'payment'), 0)::text amount,
      coalesce(sum(a.amount) filter (where a.kind = 'discount'), 0)::text discount,
      coalesce(sum(a.amount) filter (where a.kind = 'write-off'), 0)::text "writtenOff"
    from allocation a
    join document d on d.id = a.to_document_id
    join open_item i on i.document_id = d.id
    where a.payment_id = any($paymentIds::int[])
    group by a.payment_id, d.id, i.open
    order by d.date, d.id`,
    { paymentIds },
  )

export const paymentDirection = (paymentId: number) =>
  one<{ direction: 'in' | 'out' }>('select direction from payment where id = $paymentId', { paymentId })
