import { beforeEach, describe, expect, test } from 'vitest'
import type { TaxCode } from '../../core/money/tax-codes'
import { clock } from '../../server/clock'
import { one, rows, run } from '../../server/db/connection'
import { setUpGuide } from '../../server/services/guide/guide'
import { houseState } from '../../server/services/house/health'
import { changeHouse, houseSettings, pauseAll, resumeAll } from '../../server/services/house/settings'
import { keepTaxCode, taxCodes } from '../../server/services/house/tax'
import { inTheNameOf } from '../../server/services/people/principal'
import { makeToken, revokeToken, tokens, tokenUser } from '../../server/services/people/tokens'
import { papersOf, until, useHouse } from './house'

/* What a supervisor sets up: what is still missing, taxes, settings, tokens; and how the house stands. */
const house = useHouse({ reports: false })
const step = async (key: string) => (await setUpGuide()).find((one) => one.key === key)!

const lacks = async (key: string) => (await step(key)).missing.map(({ words }) => words)

describe('the set-up guide', () => {
  test('finds nothing needed missing in a house that works', async () => {
    const missing = (await setUpGuide()).filter((one) => one.needed && one.missing.length > 0)
    expect(missing.map((one) => one.key)).toEqual([])
  })

  test('names the brand and what it lacks, one thing after the other', async () => {
    const { id, name } = (await one<{ id: number; name: string }>('select id, name from brand order by id'))!
    await run(
      `update brand
      set legal_name = '', tax_number = '', without_tax_number = '{}', address_lines = '[]', banks = '[]',
        sender_address = 'nobody', reply_to = ''
      where id = $1`,
      [id],
    )
    expect(await lacks('identity')).toEqual([
      `${name}: legal name`,
      `${name}: address`,
      `${name}: tax number`,
    ])
    expect(await lacks('bank')).toEqual([`${name}: bank account`])
    expect(await lacks('sender')).toEqual([`${name}: sender address`, `${name}: address for answers`])
  })

  test('takes a sentence for a VAT number where there is none', async () => {
    await run(
      `update brand set without_tax_number = '{"en": "Not registered for VAT."}' where tax_number = ''`,
    )
    expect((await lacks('identity')).some((one) => one.endsWith('tax number'))).toBe(false)
  })

  test('asks for numbers of a kind, and for an email text in each language that a customer reads', async () => {
    const brand = house.brands[1]!
    await run(`delete from number_series where brand_id = $1 and kind = 'refund receipt'`, [brand.id])
    await run(`delete from email_text where brand_id = $1 and kind = 'invoice' and language = 'fr'`, [
      brand.id,
    ])
    expect(await lacks('numbers')).toEqual(['Little Skep: numbers for refund receipts'])
    expect(await lacks('notes')).toEqual(['Little Skep: invoice in French'])
  })

  test('of a person who works for one brand says nothing of the other', async () => {
    const own = house.brands[0]!
    const guide = await setUpGuide({ name: 'Bo', brands: [own.id] })
    expect(guide.flatMap((one) => one.missing).some(({ words }) => words.startsWith('Little Skep'))).toBe(
      false,
    )
  })

  test('advises a routine and somebody to tell; neither keeps anything from going out', async () => {
    await run('update routine set is_on = false')
    await run(`update company set failure_notice_to = ''`)
    for (const key of ['routines', 'notices']) {
      const { needed, missing } = await step(key)
      expect([needed, missing.length]).toEqual([false, 1])
    }
    await run('update routine set is_on = true')
  })
})

describe('how the house stands', () => {
  const troubles = async () => (await houseState()).troubles.map(({ words }) => words)
  const beat = () =>
    run(
      `insert into worker (id, started_at, beat_at) values ('a worker', $1, $1)
      on conflict (id) do update set beat_at = excluded.beat_at`,
      [clock.now()],
    )

  test('without a worker is said; with one that is alive nothing is', async () => {
    await run('delete from worker')
    expect((await troubles()).join()).toContain('No worker is running')
    await beat()
    expect(await troubles()).toEqual([])
  })

  test('with a worker that fell silent is said as if there were none', async () => {
    await run(`update worker set beat_at = $1`, [new Date(Date.now() - 60_000)])
    expect((await troubles()).join()).toContain('No worker is running')
    await beat()
  })

  test('with work that nobody takes up for five minutes is said, and not while it is paused on purpose', async () => {
    await run(
      `insert into event (kind, schema_version, facts, actor, at)
      values ('order status', 3, '{}', 'Test', now() - interval '10 minutes')`,
    )
    await beat()
    expect((await troubles()).join()).toContain('waits longer than five minutes')
    await pauseAll('stock-taking', inTheNameOf('Maeve Tarrant'))
    await beat()
    expect(await troubles()).toEqual([])
    await run('delete from event where looked_at is null')
    await resumeAll()
  })

  test('paused says by whom, since when and why', async () => {
    await pauseAll('stock-taking', inTheNameOf('Maeve Tarrant'))
    expect(await houseState()).toMatchObject({
      paused: true,
      pausedBy: 'Maeve Tarrant',
      pauseReason: 'stock-taking',
    })
    await resumeAll()
    expect((await houseState()).paused).toBe(false)
  })
})

describe('settings', () => {
  test('that are left out stay; what cannot be is refused and changes nothing', async () => {
    const before = await houseSettings()
    await changeHouse({ undoMinutes: 3 })
    expect(await houseSettings()).toEqual({ ...before, undoMinutes: 3 })
    await expect(changeHouse({ undoMinutes: 5, failureNoticeTo: 'a b' })).rejects.toMatchObject({
      code: 'bad-address',
      about: { field: 'failureNoticeTo' },
    })
    await expect(changeHouse({ heldStatuses: ['Lost at sea'] })).rejects.toThrow('is not a status')
    expect((await houseSettings()).undoMinutes).toBe(3)
    await changeHouse({ undoMinutes: before.undoMinutes })
  })
})

describe('a tax code', () => {
  const code = (change: Partial<TaxCode> = {}): TaxCode => ({
    code: 'books',
    category: 'S',
    names: { en: 'Books' },
    reasons: {},
    rates: [{ from: '2020-01-01', percent: '9' }],
    ...change,
  })
  const kept = async (name = 'books') => (await taxCodes()).find((one) => one.code === name)

  test('is written with its rates, in the order of their days', async () => {
    await keepTaxCode(
      code({
        rates: [
          { from: '2026-01-01', percent: '9' },
          { from: '2020-01-01', percent: '13.5' },
        ],
      }),
      null,
    )
    expect(await kept()).toMatchObject({
      version: 1,
      rates: [
        { from: '2020-01-01', percent: '13.5' },
        { from: '2026-01-01', percent: '9' },
      ],
    })
  })

  test('of a name that is taken is refused, and so is a change from an old screen', async () => {
    await expect(keepTaxCode(code(), null)).rejects.toThrow('There is a tax code “books” already')
    await keepTaxCode(code({ names: { en: 'Printed books' } }), 1)
    await expect(keepTaxCode(code({ names: { en: 'Lost' } }), 1)).rejects.toThrow('Somebody changed this')
    expect((await kept())!.names).toEqual({ en: 'Printed books' })
  })

  test('builds what is prepared again: it carries the rate of its day of supply', async () => {
    const order = await house.newOrder()
    await house.ship([order])
    const total = async () =>
      (await one<{ total: string }>('select total::text total from prepared_document where source_id = $1', [
        order,
      ]))!.total
    expect(await papersOf([order])).toHaveLength(1)
    expect(await total()).toBe('612.54')
    const standard = (await kept('standard'))!
    await keepTaxCode({ ...standard, rates: [{ from: '2020-01-01', percent: '19' }] }, standard.version)
    await house.settle()
    await until('the prepared document to be built again', async () => (await total()) !== '612.54')
    expect(await total()).toBe('592.62')
    await keepTaxCode(standard, standard.version + 1)
    await house.settle()
  })

  test.each([
    [{ rates: [] }, 'rates'],
    [{ rates: [{ from: '2020-01-01', percent: '0' }] }, 'category'],
    [{ category: 'Z' as const }, 'rates'],
    [{ names: {} }, 'names'],
    [{ code: 'Two words' }, 'code'],
  ])('that nothing could be printed of is refused at its field: %j', async (change, field) => {
    const count = async () => (await taxCodes()).length
    const before = await count()
    await expect(keepTaxCode({ ...code({ code: 'new' }), ...change }, null)).rejects.toMatchObject({
      about: { field },
    })
    expect(await count()).toBe(before)
  })
})

describe('a token of another program', () => {
  let staff = 0
  beforeEach(async () => {
    staff = (await one<{ id: number }>(`select id from staff where role = 'clerk' order by id`))!.id
  })

  test('calls in the name of its person, until it is revoked', async () => {
    const plain = await makeToken('Web shop', 'write', staff)
    const user = await tokenUser(plain)
    expect(user).toMatchObject({ role: 'clerk' })
    const { id } = (await tokens()).find((one) => one.name === 'Web shop')!
    await revokeToken(id)
    expect(await tokenUser(plain)).toBeUndefined()
    expect((await tokens()).find((one) => one.id === id)!.revokedAt).toBeInstanceOf(Date)
    await expect(revokeToken(999_999)).rejects.toThrow('does not exist')
  })

  test('is nowhere in the database in plain, and of two made alike each is its own', async () => {
    const [a, b] = [await makeToken('A', 'read', staff), await makeToken('A', 'read', staff)]
    expect(a).not.toBe(b)
    expect(JSON.stringify(await rows('select * from api_token'))).not.toContain(a.slice(12))
  })

  test('is not guessed by its beginning, nor found where there is none', async () => {
    const plain = await makeToken('C', 'read', staff)
    for (const wrong of ['', 'clothespin_', plain.slice(0, -1), `${plain}x`, plain.toUpperCase()])
      expect(await tokenUser(wrong)).toBeUndefined()
  })
})
