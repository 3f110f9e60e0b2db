import type pg from 'pg'
import type { Design, StripDesign } from '../../core/designs/design'
import type { DocumentKind } from '../../core/documents/kinds'
import { fromBraces } from '../../core/emailtexts/braces'
import { tidy, type Body, type Line } from '../../core/emailtexts/nodes'
import { purposesOf, type EmailPurpose } from '../../core/emailtexts/purposes'
import { starterSeries, starterText } from '../../core/house/starter'
import { languages, type Language } from '../../core/money/format'

/*
 * What of a migration cannot be said in SQL, by the migration's name: runs after it, in its transaction.
 */

const nodes = (template: string) => JSON.stringify(tidy(fromBraces(template)))

/** Texts with braces become nodes; those of single emails as well. */
async function emailNodes(client: pg.Client): Promise<void> {
  const { rows: texts } = await client.query<{ id: number; subject: string; text: string }>(
    'select id, subject, text from email_text',
  )
  for (const { id, subject, text } of texts)
    await client.query('update email_text set subject = $2::jsonb, text = $3::jsonb where id = $1', [
      id,
      nodes(subject),
      nodes(text),
    ])
  for (const [table, column] of [
    ['prepared_document', 'own_email'],
    ['dispatch', 'own_email'],
    ['rehearsal', 'email'],
  ] as const) {
    const { rows: own } = await client.query<{ id: string; subject: string; text: string }>(
      `select id, ${column} ->> 'subject' subject, ${column} ->> 'text' "text" from ${table}
      where jsonb_typeof(${column} -> 'text') = 'string'`,
    )
    for (const { id, subject, text } of own)
      await client.query(
        `update ${table}
        set ${column} = ${column} || jsonb_build_object('subject', $2::jsonb, 'text', $3::jsonb)
        where id = $1`,
        [id, nodes(subject), nodes(text)],
      )
  }
}

/** Every text has its supplied companion for what is sent once more, in the same languages. */
async function textsForAgain(client: pg.Client): Promise<void> {
  const { rows: texts } = await client.query<{ brandId: number; kind: DocumentKind; language: Language }>(
    `select distinct brand_id "brandId", kind, language from email_text`,
  )
  for (const { brandId, kind, language } of texts) {
    const { subject, text } = starterText('again', kind, language)
    await client.query(
      `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
      values ($1, $2, 'again', $3, 1, $4::jsonb, $5::jsonb, now(), 'Clothespin')`,
      [brandId, kind, language, JSON.stringify(subject), JSON.stringify(text)],
    )
  }
}

/** What supplied texts said as long as every document was attached, by what they say now. */
const saidAttached: readonly (readonly [now: string, then: string])[] = [
  ['Here once more is', 'Attached once more is'],
  ['Here are', 'Attached are'],
  ['Here is', 'Attached is'],
  ['Hier ist unsere', 'Anbei unsere'],
  ['Hier ist die', 'Anbei die'],
  ['hier sind unsere', 'anbei unsere'],
  ['hier ist unsere', 'anbei unsere'],
  ['hier ist noch einmal', 'anbei noch einmal'],
  ['Hier', 'Anbei'],
  ['hier', 'anbei'],
  ['trouverez ici', 'trouverez ci-joint'],
]
const asThen = (text: Body): string =>
  saidAttached.reduce((words, [now, then]) => words.replaceAll(now, then), JSON.stringify(text))

/** A document may be behind a link: supplied texts that nobody changed do not call it attached any more. */
async function textsForLinks(client: pg.Client): Promise<void> {
  const { rows: texts } = await client.query<{
    brandId: number
    kind: DocumentKind
    purpose: EmailPurpose
    language: Language
    version: number
    subject: Line
    text: Body
  }>(
    `select distinct on (brand_id, kind, purpose, language) brand_id "brandId", kind, purpose, language, version,
      subject, text
    from email_text
    order by brand_id, kind, purpose, language, version desc`,
  )
  for (const { brandId, kind, purpose, language, version, subject, text } of texts) {
    const now = starterText(purpose, kind, language)
    if (JSON.stringify(tidy(text)) !== asThen(now.text)) continue
    await client.query(
      `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
      values ($1, $2, $3, $4, $5, $6::jsonb, $7::jsonb, now(), 'Clothespin')`,
      [brandId, kind, purpose, language, version + 1, JSON.stringify(subject), JSON.stringify(now.text)],
    )
  }
}

/** Brands that exist get numbers, texts and a design of new kinds; the design is that of an older kind. */
async function kindsOfBrands(
  client: pg.Client,
  kinds: readonly DocumentKind[],
  like: DocumentKind,
  adapted: (strip: StripDesign) => StripDesign[],
): Promise<void> {
  const { rows: brands } = await client.query<{
    id: number
    isFirst: boolean
    start: number
    design: Design
  }>(
    `select distinct on (b.id) b.id, b.id = (select min(id) from brand) "isFirst",
      (select business_year_start from company) start, d.design
    from brand b
    join design d on d.brand_id = b.id
    order by b.id, d.kind = $1 desc, d.version desc`,
    [like],
  )
  for (const kind of kinds)
    for (const { id, isFirst, start, design } of brands) {
      await client.query(
        `insert into design (brand_id, kind, version, design, made_at, made_by)
      values ($1, $2, 1, $3::jsonb, now(), 'Clothespin')`,
        [id, kind, JSON.stringify({ ...design, strips: design.strips.flatMap(adapted) })],
      )
      for (const purpose of purposesOf(kind))
        for (const language of languages) {
          const { subject, text } = starterText(purpose, kind, language)
          await client.query(
            `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
          values ($1, $2, $3, $4, 1, $5::jsonb, $6::jsonb, now(), 'Clothespin')`,
            [id, kind, purpose, language, JSON.stringify(subject), JSON.stringify(text)],
          )
        }
      const series = starterSeries(kind, isFirst, start)
      await client.query(
        `insert into number_series (
        brand_id, kind, prefix, suffix, length, start, restart, business_year_start, country, currency
      )
      values ($1, $2, $3, $4, $5, $6, $7, $8, '', '')`,
        [
          id,
          kind,
          series.prefix,
          series.suffix,
          series.length,
          series.start,
          series.restart,
          series.businessYearStart,
        ],
      )
    }
}

/** Statements and reminders look like receipts, with what is owed by age below the sum. */
const statementsOfBrands = (client: pg.Client) =>
  kindsOfBrands(client, ['statement of account', 'payment reminder'], 'payment receipt', (one) =>
    one.strip === 'sums' ? [one, { strip: 'ageing' }] : [one],
  )

/** Packing slips and delivery notes look like confirmations, with a bar code and a line to sign on before the foot. */
const shipmentsOfBrands = (client: pg.Client) =>
  kindsOfBrands(client, ['packing slip', 'delivery note'], 'order confirmation', (one) =>
    one.strip === 'footer' ? [{ strip: 'barcode' }, { strip: 'signature' }, one] : [one],
  )

/** Invoices have a text for being sent once more because they are not paid, in the languages of their other texts. */
async function textsOfReminders(client: pg.Client): Promise<void> {
  const { rows: texts } = await client.query<{ brandId: number; language: Language }>(
    `select distinct brand_id "brandId", language from email_text where kind = 'invoice'`,
  )
  for (const { brandId, language } of texts) {
    const { subject, text } = starterText('reminder', 'invoice', language)
    await client.query(
      `insert into email_text (brand_id, kind, purpose, language, version, subject, text, made_at, made_by)
      values ($1, 'invoice', 'reminder', $2, 1, $3::jsonb, $4::jsonb, now(), 'Clothespin')`,
      [brandId, language, JSON.stringify(subject), JSON.stringify(text)],
    )
  }
}

/** Labels are drawn by their own measures: of their design only the fonts count. Customs invoices look like slips. */
const labelsOfBrands = (client: pg.Client) =>
  kindsOfBrands(client, ['shipping label', 'customs invoice'], 'packing slip', (one) => [one])

/** Return notes look like packing slips: a table of goods, a bar code, and no sums. */
const returnsOfBrands = (client: pg.Client) =>
  kindsOfBrands(client, ['return note'], 'packing slip', (one) => [one])

/** Order updates look like confirmations, wherever their page is looked at. */
const updatesOfBrands = (client: pg.Client) =>
  kindsOfBrands(client, ['order update'], 'order confirmation', (one) => [one])

export const afterMigration: Readonly<Record<string, (client: pg.Client) => Promise<void>>> = {
  '017-email-nodes': emailNodes,
  '020-email-purposes': textsForAgain,
  '022-signed-links': textsForLinks,
  '025-accounts': statementsOfBrands,
  '027-charges': textsOfReminders,
  '029-shipments': shipmentsOfBrands,
  '030-labels': labelsOfBrands,
  '031-returns': returnsOfBrands,
  '037-order-updates': updatesOfBrands,
}
