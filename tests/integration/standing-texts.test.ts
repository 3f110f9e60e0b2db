import { randomUUID } from 'node:crypto'
import pg from 'pg'
import { describe, expect, test } from 'vitest'
import type { DocumentKind } from '../../core/documents/kinds'
import { inTransaction, one, run } from '../../server/db/connection'
import { preparedView } from '../../server/services/line/in-hand'
import { orderView } from '../../server/services/orders/list'
import {
  dropStandingText,
  keepStandingText,
  standingTexts,
  type StandingTextChange,
} from '../../server/services/house/standing-texts'
import { makeAll } from '../../server/services/documents/make-papers'
import { keepDraft } from '../../server/services/documents/prepare'
import { refreshPrepared } from '../../server/services/documents/refresh'
import { startRun } from '../../server/services/documents/send-run'
import { inTheNameOf } from '../../server/services/people/principal'
import { until, useHouse } from './house'

/* Texts of the house on documents: what is prepared has them at once, what is issued keeps what it says. */
const house = useHouse({ trust: 'after a check' })
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )
const text = (change: Partial<StandingTextChange> = {}): StandingTextChange => ({
  name: 'Title',
  kinds: ['invoice'],
  brandId: null,
  customers: 'all',
  place: 'before the foot',
  texts: { en: 'Goods stay ours until they are paid.' },
  from: null,
  until: null,
  ...change,
})
interface Printed {
  paragraphs?: string[]
  foot?: string[]
  pages?: { title: string; text: string }[]
}
async function prepared(orderId: number, kind: DocumentKind = 'invoice') {
  await house.settle()
  const { papers } = await orderView(orderId)
  const { id, changes } = await preparedView(
    papers.find((paper) => paper.kind === kind)!.id,
    inTheNameOf('Test'),
  )
  const { content } = (await one<{ content: Printed }>(
    'select content from prepared_document where id = $1',
    [id],
  ))!
  return { id, changes, content }
}

/** Whether somebody waits for somebody else. */
const waiting = async () =>
  Boolean(
    await one(`select from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'`),
  )

describe('a standing text', () => {
  test('is on what is prepared as soon as it is written, and said as a change of it', async () => {
    const id = await house.newOrder()
    await house.ship([id])
    expect((await prepared(id)).content.paragraphs).toBeUndefined()
    await keepStandingText(null, text())
    await keepStandingText(null, text({ name: 'Terms of sale', place: 'own page' }))
    await keepStandingText(null, text({ name: 'Foot', place: 'foot', kinds: [] }))
    const { content, changes } = await prepared(id)
    expect(content).toMatchObject({
      paragraphs: ['Goods stay ours until they are paid.'],
      foot: ['Goods stay ours until they are paid.'],
      pages: [{ title: 'Terms of sale' }],
    })
    expect(changes?.map((one) => one.what.words)).toEqual(['Texts'])
  })

  test('that is written after a document was read and before it is kept stands on it all the same', async () => {
    const id = await house.newOrder()
    const kind = 'order confirmation'
    const addressing = { role: 'billing', copyTo: [] }
    const made = (await makeAll(kind, [id], addressing)).get(id)!
    const textId = await keepStandingText(
      null,
      text({ name: 'Between', kinds: [kind], texts: { en: 'Mind the wasps.' } }),
    )
    const who = inTheNameOf('Test')
    const asked = {
      addressing,
      trust: 'after a check',
      delayMinutes: 0,
      hours: null,
      routine: null,
      who,
    } as const
    await inTransaction(() => keepDraft({ kind, ...asked }, made))
    await house.settle()
    expect(JSON.stringify((await prepared(id, kind)).content)).toContain('Mind the wasps.')
    await dropStandingText(textId)
  })

  test('that is written while a document is being kept stands on it all the same', async () => {
    const id = await house.newOrder()
    const other = new pg.Client({ connectionString: process.env.CLOTHESPIN_DATABASE_URL })
    await other.connect()
    // the routine has written the document, and waits to take its claim
    await other.query('begin')
    await other.query('lock table claim in share mode')
    const shipped = house.ship([id])
    await until('the routine to wait', waiting)
    const written = keepStandingText(null, text({ name: 'Meanwhile', texts: { en: 'Mind the queen.' } }))
    await new Promise((resolve) => setTimeout(resolve, 200))
    await other.query('commit')
    await other.end()
    const textId = await written
    await shipped
    expect(JSON.stringify((await prepared(id)).content)).toContain('Mind the queen.')
    await dropStandingText(textId)
  })

  test('that is written while a document is being built anew stands on it all the same', async () => {
    const id = await house.newOrder()
    await house.ship([id])
    const { id: preparedId } = await prepared(id)
    const other = new pg.Client({ connectionString: process.env.CLOTHESPIN_DATABASE_URL })
    await other.connect()
    // the first build has read what holds now, and waits to write behind somebody who has the order
    await other.query('begin')
    await other.query('select from sales_order where id = $1 for update', [id])
    await run('update prepared_document set stale = true, stale_mark = stale_mark + 1 where id = $1', [
      preparedId,
    ])
    const first = refreshPrepared([preparedId])
    await until('it to wait', waiting)
    const textId = await keepStandingText(null, text({ name: 'Late', texts: { en: 'Mind the bees.' } }))
    await other.query('commit')
    await other.end()
    await first
    const { content } = await prepared(id)
    expect(JSON.stringify(content)).toContain('Mind the bees.')
    await dropStandingText(textId)
  })

  test('that is deleted stays on what was issued with it', async () => {
    const id = await house.newOrder()
    await house.ship([id])
    const { id: preparedId } = await prepared(id)
    const { revision } = (await one<{ revision: number }>(
      'select revision from prepared_document where id = $1',
      [preparedId],
    ))!
    await startRun([{ id: preparedId, revision }], randomUUID(), { ...inTheNameOf('Col Varley'), id: 1 })
    await house.settle()
    for (const { id: textId } of await standingTexts()) await dropStandingText(textId)
    await house.settle()
    const issued = (await one<{ paper: Printed }>('select paper from document where prepared_id = $1', [
      preparedId,
    ]))!
    expect(issued.paper.paragraphs).toEqual(['Goods stay ours until they are paid.'])
    expect(issued.paper.pages).toHaveLength(1)
  })

  test('without words, with a taken name or with its days the wrong way round is refused', async () => {
    await keepStandingText(null, text())
    expect(await refused(keepStandingText(null, text({ name: 'X', texts: { en: ' ' } })))).toBe('no-text')
    expect(await refused(keepStandingText(null, text()))).toBe('same-name')
    const days = { from: '2026-12-02', until: '2026-12-01' }
    expect(await refused(keepStandingText(null, text({ name: 'X', ...days })))).toBe('wrong-days')
    const [kept] = await standingTexts()
    await keepStandingText(kept!.id, text({ name: 'Y' }), 1)
    expect(await refused(keepStandingText(kept!.id, text({ name: 'Z' }), 1))).toBe('changed-meanwhile')
    expect((await standingTexts()).map((one) => one.name)).toEqual(['Y'])
  })
})
