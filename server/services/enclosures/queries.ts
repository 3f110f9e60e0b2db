import type { Carriage } from '../../../core/enclosures/carriage'
import type { EnclosureFacts, EnclosureQuestion } from '../../../core/enclosures/enclosures'
import type { CopiedDocument, Copies, StoredCopy } from '../../../core/enclosures/copies'
import { mayBeEdited, type FileForm } from '../../../core/documents/editable'
import { documentKinds, kindsOf } from '../../../core/documents/kinds'
import type { StatementFacts } from '../../../core/receivables/statement'
import { one, rows } from '../../db/connection'
import { within } from '../people/brand-queries'
import type { Principal } from '../people/principal'
import type { EnclosureView } from './enclosures'

/* The statements of enclosures. */

const fileColumns = 'e.id, e.name, e.sha256, f.size, f.media_type "mediaType"'

const ruleColumns = `e.kinds, e.brand_id "brandId", e.group_id "groupId", e.customer_id "customerId",
  e.source_id "sourceId", e.prepared_id "preparedId", (select i.code from item i where i.id = e.item_id) item,
  e.language, e.from_day::text "from", e.until_day::text until, e.goes, e.most_downloads "mostDownloads",
  e.good_days "goodDays"`

const viewColumns = `${fileColumns}, ${ruleColumns}, e.added_by "addedBy", e.added_at "addedAt", e.version`

const standing = 'num_nonnulls(e.customer_id, e.source_id, e.prepared_id, e.item_id) = 0'

/** SQL: the numbers of the items in a document's lines. */
const itemsIn = (paper: string) => `coalesce(jsonb_path_query_array(${paper}, '$.lines[*].item'), '[]')`

/** SQL: the group that a customer is in. */
const groupOf = (customer: string) =>
  `(select g.id from customer_group g where g.name = ${customer}.group_name)`

/** SQL: the largest email that the account of a sender takes. */
const mostOf = (sender: string) =>
  `coalesce((select a.most_megabytes from mail_account a where a.id = ${sender}.mail_account_id), 20)`

export const standingEnclosures = (who: Principal) =>
  rows<EnclosureView>(
    `select ${viewColumns}
    from enclosure e
    join file f using (sha256)
    where ${standing} and (e.brand_id is null or ${within(who, 'e.brand_id')})
    order by not e.goes, lower(e.name), e.id`,
  )

export const enclosuresHung = (on: { customerId?: number; sourceId?: number; itemId?: number }) =>
  rows<EnclosureView>(
    `select ${viewColumns}
    from enclosure e
    join file f using (sha256)
    where e.customer_id = $customerId or e.source_id = $sourceId or e.item_id = $itemId
    order by not e.goes, lower(e.name), e.id`,
    { customerId: on.customerId ?? null, sourceId: on.sourceId ?? null, itemId: on.itemId ?? null },
  )

export const enclosureBytes = (id: number) =>
  one<{ name: string; mediaType: string; bytes: Buffer }>(
    `select e.name, f.media_type "mediaType", f.bytes
    from enclosure e
    join file f using (sha256)
    where e.id = $id`,
    { id },
  )

export const bytesOf = (sums: readonly string[]) =>
  rows<{ sha256: string; bytes: Buffer }>(
    'select sha256, bytes from file where sha256 = any($sums::text[])',
    {
      sums,
    },
  )

/** Whatever could go along with documents of these customers, orders and items, or was added to one of them. */
export const enclosuresThatMay = (given: {
  customers: number[]
  sources: number[]
  items: string[]
  added: number[]
}) =>
  rows<EnclosureFacts>(
    `select ${fileColumns}, ${ruleColumns}
    from enclosure e
    join file f using (sha256)
    where e.goes and (
      ${standing} or e.customer_id = any($customers::int[]) or e.source_id = any($sources::int[])
        or e.id = any($added::int[])
        or e.item_id in (select i.id from item i where i.code = any($items::text[]))
    )
    order by e.id`,
    given,
  )

/** Documents with their stored PDFs, as they were made; what was taken over may have none. */
export const documentsWithCopies = (documentIds: readonly number[]) =>
  rows<CopiedDocument & { stored: StoredCopy | null; isOurs: boolean }>(
    `select d.id "documentId", d.number, d.series_id is not null "isOurs",
      case
        when f.sha256 is not null then jsonb_build_object(
          'documentId', d.id, 'number', d.number, 'name', f.file_name, 'sha256', f.sha256, 'size', file.size
        )
      end stored
    from document d
    left join document_file f on f.document_id = d.id
    left join file on file.sha256 = f.sha256
    where d.id = any($documentIds::int[])
    order by d.id`,
    { documentIds },
  )

/** Whether any of these prepared documents lists others, of which copies may go along. */
export const anyLists = (preparedIds: readonly number[]) =>
  one<{ id: number }>(
    `select id
    from prepared_document
    where id = any($preparedIds::int[]) and kind = any($kinds::text[])
    limit 1`,
    { preparedIds, kinds: kindsOf('account') },
  )

/** Whether a house has any; most questions end here where it has none. */
export const anyEnclosure = () => one<{ id: number }>('select id from enclosure where goes limit 1')

/** An email, or one that is to come, and the largest that its mail account takes, in MB. */
export interface EmailAsked extends Omit<EnclosureQuestion, 'day'> {
  id: number
  most: number
  /** How the customer wants files of this kind. */
  wish: Carriage
  /** In which form the customer wants documents of its kind; null where nothing is said. */
  form: FileForm | null
  /** Bytes of the pictures in its text and frame. */
  pictures: number
  /** Whether copies of what statements among its documents list go along, and how. */
  copies: Copies | null
  statements: StatementFacts[] | null
}

/** SQL: bytes of the pictures that an email's text and the frame of its brand `b` name. */
const picturesIn = (text: string) =>
  `coalesce(
    (
      select sum(f.size)::int
      from file f
      where f.sha256 in (
        select jsonb_path_query(jsonb_build_array(${text}, b.email_look), '$.**.sha256') #>> '{}'
      )
    ),
    0
  ) pictures`

/** SQL: the form in which a customer `c` wants documents of a kind that may be edited; null for other kinds. */
const formIn = (kind: string, source: string) => `
  case when ${kind} in (${documentKinds
    .filter(mayBeEdited)
    .map((one) => `'${one}'`)
    .join(', ')})
    then preferences_for(c, ${source}, array[${kind}]) #>> array[${kind}, 'form'] end form`

/** SQL: how a customer `c` wants copies with a document of a kind that lists others; null for other kinds. */
const copiesOf = (kind: string, source: string) => `
  case when ${kind} in (${kindsOf('account')
    .map((one) => `'${one}'`)
    .join(', ')})
    then preferences_for(c, ${source}, array[${kind}]) #>> array[${kind}, 'copies'] end copies`

/** @param person who would have it sent */
export const emailsOfPrepared = (ids: readonly number[], person: string) =>
  rows<EmailAsked>(
    `select p.id, p.brand_id "brandId", p.customer_id "customerId", ${groupOf('c')} "groupId",
      jsonb_build_array(
        jsonb_build_object(
          'kind', p.kind, 'language', coalesce(p.content ->> 'language', c.language), 'sourceId', s.root_id,
          'items', ${itemsIn('p.content')}
        )
      ) documents,
      p.own_email own, ${mostOf('sender')} most, attach_for(c, p.kind, p.own_email) wish,
      ${picturesIn("coalesce(p.own_email -> 'text', n.text)")},
      ${formIn('p.kind', 'p.source_id')}, ${copiesOf('p.kind', 'p.source_id')},
      case when p.content #> '{exact,statement}' is not null
        then jsonb_build_array(p.content #> '{exact,statement}') end statements
    from prepared_document p
    join source s on s.id = p.source_id
    join customer c on c.id = p.customer_id
    join brand b on b.id = p.brand_id
    join email_text n on n.id = p.email_text_id
    cross join lateral sender_for(b, p.kind, p.routine_id, $person, p.source_id, p.own_email) sender
    where p.id = any($ids::int[]) and p.channel in ('email', 'both')`,
    { ids, person },
  )

export const emailsOfDispatches = (ids: readonly number[]) =>
  rows<EmailAsked>(
    `select m.id, m.brand_id "brandId", m.customer_id "customerId", ${groupOf('c')} "groupId", dd.documents,
      m.own_email own, ${mostOf('sender')} most, attach_for(c, d.kind, m.own_email) wish,
      ${picturesIn("coalesce(m.own_email -> 'text', n.text)")},
      ${formIn('d.kind', 'd.source_id')}, ${copiesOf('d.kind', 'd.source_id')}, dd.statements
    from dispatch m
    join customer c on c.id = m.customer_id
    join brand b on b.id = m.brand_id
    join email_text n on n.id = m.email_text_id
    join lateral (
      select min(d.id) id,
        jsonb_agg(
          jsonb_build_object(
            'kind', d.kind, 'language', d.paper ->> 'language', 'sourceId', s.root_id,
            'items', ${itemsIn('d.paper')}
          )
          order by d.id
        ) documents,
        jsonb_agg(d.paper #> '{exact,statement}') filter (where d.paper #> '{exact,statement}' is not null) statements
      from dispatch_document x
      join document d on d.id = x.document_id
      join source s on s.id = d.source_id
      where x.dispatch_id = m.id
    ) dd
      on true
    join document d on d.id = dd.id
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, m.created_by, d.source_id, m.own_email) sender
    where m.id = any($ids::int[]) and m.channel = 'email'`,
    { ids },
  )

/** @param person who would have a copy of a document sent */
export const emailsOfCopies = (documentIds: readonly number[], person: string) =>
  rows<EmailAsked>(
    `select d.id, d.brand_id "brandId", d.customer_id "customerId", ${groupOf('c')} "groupId",
      jsonb_build_array(
        jsonb_build_object(
          'kind', d.kind, 'language', d.paper ->> 'language', 'sourceId', s.root_id,
          'items', ${itemsIn('d.paper')}
        )
      ) documents,
      null::jsonb own, ${mostOf('sender')} most, attach_for(c, d.kind, null) wish,
      ${picturesIn('n.text')}, ${formIn('d.kind', 'd.source_id')},
      null copies, null::jsonb statements
    from document d
    join source s on s.id = d.source_id
    join customer c on c.id = d.customer_id
    join brand b on b.id = d.brand_id
    join email_text n on n.id = d.email_text_id
    join prepared_document p on p.id = d.prepared_id
    cross join lateral sender_for(b, d.kind, p.routine_id, $person, d.source_id, null) sender
    where d.id = any($documentIds::int[])`,
    { documentIds, person },
  )

/** Prepared documents that go by email: all, or of a customer, an order or one; and whether something stops them. */
export const emailsWith = (of: {
  customerId?: number | null
  sourceId?: number | null
  preparedId?: number | null
  item?: string
}) =>
  rows<{ id: number; stopped: boolean }>(
    `select p.id, p.problem is not null stopped
    from prepared_document p
    join source s on s.id = p.source_id
    where p.state = 'prepared' and p.channel in ('email', 'both')
      and ($customerId::int is null or p.customer_id = $customerId)
      and ($sourceId::int is null or s.root_id = $sourceId)
      and ($preparedId::int is null or p.id = $preparedId)
      and ($item::text is null or ${itemsIn('p.content')} ? $item)`,
    {
      customerId: of.customerId ?? null,
      sourceId: of.sourceId ?? null,
      preparedId: of.preparedId ?? null,
      item: of.item ?? null,
    },
  )

export const addedTo = (preparedIds: readonly number[]) =>
  rows<{ id: number }>('select id from enclosure where prepared_id = any($preparedIds::int[])', {
    preparedIds,
  })

/** What was added to a document for once, and is not wanted any more. */
export const dropUnwanted = (preparedId: number, wanted: readonly number[]) =>
  rows<{ id: number }>(
    `delete from enclosure where prepared_id = $preparedId and not id = any($wanted::int[]) returning id`,
    { preparedId, wanted },
  )
