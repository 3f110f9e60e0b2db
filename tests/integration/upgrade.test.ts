import { execFileSync } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import pg from 'pg'
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest'
import type { EmailText } from '../../core/emailtexts/email-text'
import { exampleFacts, type MergeFields } from '../../core/emailtexts/fields'
import type { Body } from '../../core/emailtexts/nodes'
import { bodyText } from '../../core/emailtexts/forms'
import type { Told } from '../../core/said/told'
import { settle } from '../../core/emailtexts/settle'
import { closeDatabase, one, rows } from '../../server/db/connection'
import { migrate, pendingMigrations } from '../../server/db/migrate'
import { customerView } from '../../server/services/customers/customers'
import { customerDefaults } from '../../server/services/customers/groups'
import { listCustomers } from '../../server/services/customers/queries'
import { ownFields } from '../../server/services/fields/own-fields'
import { prepareByHand } from '../../server/services/documents/prepare-by-hand'
import { orderView } from '../../server/services/orders/list'
import { inTheNameOf } from '../../server/services/people/principal'
import { registerSources } from '../../server/services/sources'

/* A house of every earlier release becomes one of this version, and goes on: nothing of it is lost or changed. */
const releases = join(import.meta.dirname, '..', 'releases')
const dumps = readdirSync(releases).filter((file) => file.endsWith('.sql.gz'))

interface Kept {
  documents: string
  files: string
  orders: string
  open: string
}
const kept = () =>
  one<Kept>(
    `select (select md5(string_agg(number || paper::text, '' order by id)) from document) documents,
      (select md5(string_agg(encode(bytes, 'hex'), '' order by sha256)) from file) files,
      (select count(*) || ' ' || sum(total) from sales_order) orders,
      (select sum(open)::text from open_item) open`,
  )

/** Why each routine did nothing, and what it looked at: in words before the upgrade, told with their words since. */
const evaluations = () =>
  rows<{
    reason: string | Told | null
    seen: { words?: string; asks?: Told; seen: string | Told; holds: boolean }[]
  }>('select reason, seen from evaluation order by id')
const wordsOf = (said: string | Told | null | undefined) =>
  typeof said === 'string' ? said : (said?.words ?? '')
const readOut = (all: Awaited<ReturnType<typeof evaluations>>) =>
  all.map((one) => [
    wordsOf(one.reason),
    ...one.seen.map((it) => [it.words ?? wordsOf(it.asks), wordsOf(it.seen), it.holds]),
  ])

describe.each(dumps)('the house of %s', (dump) => {
  let before: Kept | undefined
  let evaluatedBefore: Awaited<ReturnType<typeof evaluations>> = []
  beforeAll(async () => {
    const admin = inject('clusterUrl')
    const name = `release_${randomUUID().slice(0, 8)}`
    const client = new pg.Client({ connectionString: admin })
    await client.connect()
    await client.query(`create database ${name} template template0`)
    await client.end()
    const url = admin.replace(/\/postgres$/, `/${name}`)
    execFileSync('psql', ['--quiet', '--set', 'ON_ERROR_STOP=1', url], {
      input: gunzipSync(readFileSync(join(releases, dump))),
      stdio: ['pipe', 'ignore', 'inherit'],
    })
    process.env.CLOTHESPIN_DATABASE_URL = url
    registerSources()
    before = await kept()
    evaluatedBefore = await evaluations()
    await migrate()
  }, 60_000)
  afterAll(closeDatabase)

  test('has nothing left to migrate, and every document, file, order and open amount as it was', async () => {
    expect((await pendingMigrations()).names).toEqual([])
    expect(await kept()).toEqual(before)
  })

  test('what a routine saw, and why it did nothing, reads as it did', async () => {
    const since = await evaluations()
    expect(readOut(since)).toEqual(readOut(evaluatedBefore))
    expect(since.map((one) => wordsOf(one.reason))).toContain('Rosehip & Rye wants no order confirmations.')
    expect(since.every((one) => typeof one.reason !== 'string')).toBe(true)
  })

  test('has its groups and own fields where they are kept now', async () => {
    const { groups, roles } = await customerDefaults()
    expect(groups.map((one) => one.name)).toContain('Schools')
    expect(groups.reduce((sum, one) => sum + one.customers, 0)).toBeGreaterThan(50)
    expect(roles).toEqual(['buying', 'billing', 'goods-in'])
    expect((await ownFields('order')).map((one) => [one.name, one.kind])).toContainEqual([
      'Delivery window',
      'text',
    ])
  })

  test('its email texts say what they said', async () => {
    const texts = await rows<EmailText & { kind: string; language: string }>(
      `select distinct on (kind, language) kind, language, subject, text
      from email_text
      where purpose = 'first'
      order by kind, language, version desc, brand_id`,
    )
    const said = (body: Body, change: Partial<MergeFields> = {}) =>
      bodyText(settle(body, { ...exampleFacts.values, ...change }, 'text'), exampleFacts.tables)
    const [english] = texts.filter((one) => one.kind === 'invoice' && one.language === 'en')
    expect(said(english!.subject)).toBe('Invoice INV-2026-00042 for your order SO-20931')
    // what is supplied now calls nothing attached; a text of the house's own says what it said
    const words = said(english!.text, { contact: '', reference: '', paying: 'paid' })
    expect(words.replace('Attached is', 'Here is')).toBe(
      'Dear customer,\n\nYour order SO-20931 is on its way. Here is invoice INV-2026-00042 of ' +
        '24 November 2026 for 1,284.46 EUR. It is paid already; there is nothing left to pay. Thank you.\n\n' +
        'If something is not right, just reply to this email.\n\nKind regards\nMaeve Tarrant',
    )
    expect(texts.map(({ kind, language }) => `${kind} ${language}`)).toHaveLength(39)
    const again = await rows<EmailText & { purpose: string }>(
      `select subject, text
      from email_text
      where purpose = 'again' and language = 'de' and kind = 'invoice'
      order by version desc`,
    )
    expect(said(again[0]!.subject)).toBe('Noch einmal: Rechnung INV-2026-00042')
    for (const { subject, text } of texts) expect([said(subject), said(text)]).not.toContain('')
  })

  test('every customer is reached as before, and its next document is made', async () => {
    const { rows: customers } = await listCustomers({ limit: 200 })
    for (const { id } of customers.slice(0, 20)) {
      const { preferences, wished } = await customerView(id)
      // what goes with a parcel came later, and is printed
      const printed = { channel: 'paper' }
      expect(wished).toEqual({
        'packing slip': printed,
        'shipping label': printed,
        'customs invoice': printed,
        ...preferences,
      })
    }
    const [order] = await rows<{ id: number }>(
      `select o.id
      from sales_order o
      where o.supplied_on is not null
        and not exists (select from prepared_document p where p.source_id = o.id and p.kind = 'order confirmation')
        and not exists (select from source s where s.part_of = o.id)
      order by o.id desc
      limit 1`,
    )
    const [made] = await prepareByHand('order confirmation', [order!.id], inTheNameOf('Col Varley'))
    expect(made!.result).toMatchObject({ outcome: 'prepared' })
    expect((await orderView(order!.id)).papers[0]!.kind).toBe('order confirmation')
  })
})
