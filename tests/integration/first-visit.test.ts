import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest'
import { purposesOf } from '../../core/emailtexts/purposes'
import { documentKinds } from '../../core/documents/kinds'
import { proposalFor } from '../../core/house/from-country'
import { ensureDatabase } from '../../run/cluster'
import { closeDatabase, one, rows } from '../../server/db/connection'
import { migrate, pendingMigrations } from '../../server/db/migrate'
import { sweep } from '../../server/services/dispatch/sweep'
import { addBrand, type NewBrand } from '../../server/services/house/add-brand'
import { houseState } from '../../server/services/house/health'
import { howFar } from '../../server/services/house/how-far'
import { setUpGuide } from '../../server/services/guide/guide'
import { signIn } from '../../server/services/people/sign-in'
import { sessionUser } from '../../server/services/people/sign-in'
import { listRoutines } from '../../server/services/routines/routines'
import { beginHouse, firstVisitCode, foundCompany } from '../../server/services/set-up/begin'
import { registerSources } from '../../server/services/sources'

/* A house that nobody has begun yet: what opens it, what it begins with, and that nothing falls over before. */
let environment: NodeJS.ProcessEnv
beforeAll(async () => {
  registerSources()
  environment = { ...process.env }
  process.env.CLOTHESPIN_DATABASE_URL = await ensureDatabase(
    inject('cluster'),
    `empty_${randomUUID().slice(0, 8)}`,
  )
  process.env.CLOTHESPIN_SECRET = 'a secret of at least thirty-two characters'
  delete process.env.CLOTHESPIN_SMTP_URL
})
afterAll(async () => {
  await closeDatabase()
  Object.assign(process.env, environment)
})

const place = '198.51.100.7'
const ada = { name: 'Ada Larkin', email: 'Ada@Meadowgate.example', password: 'three quiet hives' }
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )
const meadowgate = {
  name: 'Meadowgate Seeds Ltd',
  country: 'IE',
  currency: 'EUR',
  language: 'en' as const,
  timeZone: 'Europe/Dublin',
  businessYearStart: 4,
  publicAddress: 'https://clothespin.meadowgate.example',
  taxCodes: proposalFor('IE').taxCodes,
}
const brand: NewBrand = {
  code: 'MS',
  name: 'Meadowgate',
  legalName: 'Meadowgate Seeds Ltd',
  addressLines: ['4 Orchard Row', 'Wynford'],
  country: 'IE',
  taxNumber: '',
  banks: [],
  senderName: 'Meadowgate',
  senderAddress: 'orders@meadowgate.example',
  pricesIncludeTax: false,
}
const who = { name: 'Ada Larkin', email: 'ada@meadowgate.example', brands: null }

describe('before anybody works here', () => {
  test('an empty database is one that migrations are still to come for, and nothing to back up', async () => {
    const { begun, names } = await pendingMigrations()
    expect([begun, names[0]]).toEqual([false, '001-base'])
    await migrate()
    expect(await pendingMigrations()).toEqual({ begun: true, names: [] })
  })

  test('the worker’s sweep and the watch over the house find nothing to fall over', async () => {
    await sweep()
    expect(await houseState()).toMatchObject({ paused: true, pauseReason: 'The set-up is not finished.' })
    expect(await howFar()).toBe('nobody')
  })

  test('a wrong code opens nothing, and who guesses is made to wait, also with the right one', async () => {
    const code = await firstVisitCode()
    for (let guess = 0; guess < 8; guess++)
      expect(await refused(beginHouse({ ...ada, code: `0000-0000-0000-000${guess}` }, place))).toBe(
        'wrong-code',
      )
    expect(await refused(beginHouse({ ...ada, code: code! }, place))).toBe('too-many-tries')
    expect(await howFar()).toBe('nobody')
  })

  test('a newer code puts the older one out of force', async () => {
    const older = await firstVisitCode()
    await firstVisitCode()
    expect(await refused(beginHouse({ ...ada, code: older! }, '198.51.100.8'))).toBe('wrong-code')
  })

  test('of two who use the code at once one becomes the supervisor, however it was written', async () => {
    const code = (await firstVisitCode())!
    const asWritten = code.toLowerCase().replaceAll('-', ' ').replaceAll('0', 'o').replaceAll('1', 'l')
    const outcomes = await Promise.all([
      refused(beginHouse({ ...ada, code: asWritten }, '198.51.100.9')),
      refused(beginHouse({ ...ada, email: 'second@meadowgate.example', code }, '198.51.100.10')),
    ])
    expect(outcomes.filter((one) => one === 'done')).toHaveLength(1)
    expect(outcomes.find((one) => one !== 'done')).toMatch(/begun|wrong-code/)
    expect(await rows('select role from staff')).toEqual([{ role: 'supervisor' }])
    expect(await firstVisitCode()).toBeUndefined()
  })
})

describe('the company', () => {
  test('is refused with a time zone that is none, and nothing of it is written', async () => {
    expect(await refused(foundCompany({ ...meadowgate, timeZone: 'Europe/Atlantis' }, who))).toBe(
      'unknown-zone',
    )
    expect(await howFar()).toBe('no company')
  })

  test('comes with statuses, its country’s VAT and terms, and three routines that are off', async () => {
    await foundCompany(meadowgate, who)
    expect(await refused(foundCompany(meadowgate, who))).toBe('begun')
    expect((await listRoutines()).map((one) => one.isOn)).toEqual([false, false, false])
    expect(await one('select held_statuses held, terms, failure_notice_to told from company')).toEqual({
      held: ['Held'],
      terms: { kind: 'days', days: 30 },
      told: 'ada@meadowgate.example',
    })
    expect(await rows('select code, percent::text from tax_rate r order by r.percent desc')).toEqual([
      { code: 'standard', percent: '23' },
      { code: 'reduced', percent: '13.5' },
      { code: 'reduced-2', percent: '9' },
      { code: 'zero', percent: '0' },
    ])
  })
})

describe('a brand', () => {
  test('with an address that nobody could answer is refused, and nothing of it is written', async () => {
    expect(await refused(addBrand({ ...brand, senderAddress: 'orders' }, who))).toBe('bad-address')
    expect(await howFar()).toBe('no brand')
  })

  test('brings a design, numbers and email texts for every kind; the second counts apart from the first', async () => {
    const first = await addBrand(brand, who)
    expect(await howFar()).toBe('ready')
    expect(await refused(addBrand({ ...brand, name: 'Other' }, who))).toBe('same-code')
    const second = await addBrand({ ...brand, code: 'WS', name: 'Wynford Shop' }, who)
    const prefixes = await rows<{ prefix: string; restart: string }>(
      `select prefix, restart
      from number_series
      where kind = 'invoice' and brand_id = any($1::int[])
      order by brand_id`,
      [[first, second]],
    )
    expect(prefixes).toEqual([
      { prefix: 'INV-{year}-', restart: 'business year' },
      { prefix: 'INV-{brand}-{year}-', restart: 'business year' },
    ])
    const [made] = await rows<{ designs: number; texts: number }>(
      `select (select count(*)::int from design where brand_id = $1) designs,
        (select count(*)::int from email_text where brand_id = $1) texts`,
      [first],
    )
    // for the first time, for once more, and of invoices because they are not paid: in three languages
    expect(made).toEqual({
      designs: documentKinds.length,
      texts: documentKinds.flatMap(purposesOf).length * 3,
    })
  })

  test('leaves to the guide what is still missing: tax number, bank, mail account, first customer', async () => {
    const missing = (await setUpGuide()).filter((step) => step.missing.length > 0).map((step) => step.key)
    expect(missing).toEqual(['identity', 'bank', 'logo', 'mail', 'data', 'routines'])
    await sweep()
  })
})

test('the first supervisor signs in with the address in any case', async () => {
  const person = (await one<{ email: string }>('select email from staff'))!
  const { session } = await signIn(person.email.toUpperCase(), ada.password, { address: place, mark: '' })
  expect(await sessionUser(session)).toMatchObject({ role: 'supervisor' })
})
