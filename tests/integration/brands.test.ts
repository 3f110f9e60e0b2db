import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoStaff } from '../../demo/house'
import { one, rows, run } from '../../server/db/connection'
import { prepareByHand, putBack } from '../../server/services/documents/prepare-by-hand'
import { newInvoice } from '../../server/services/drafts/drafts'
import { addRoutine, type RoutineView } from '../../server/services/routines/routines'
import { makeToken } from '../../server/services/people/tokens'
import { recordPayment } from '../../server/services/receivables/payments'
import { startWeb } from '../web'
import { until, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

/*
 * A person who works for one brand: every route is called as that person, and nothing of the other brand is
 * found in lists, files, search, documents, live messages or the API.
 */
const house = useHouse({ trust: 'automatic', reports: false })
const limited = demoStaff().find((person) => person.brands)!

interface Route {
  file: string
  path: string
  method: string
  brands: 'own' | 'all' | 'none' | undefined
}
const routes: Route[] = readdirSync('server/api', { recursive: true, encoding: 'utf8' })
  .filter((file) => /(?<!\.check)\.ts$/.test(file) && !file.startsWith('[...'))
  .map((file) => ({
    file,
    path: `/api/${file.replace(/(\.(get|post|put|patch|delete))?\.ts$/, '').replace(/(^|\/)index$/, '')}`,
    method: /\.(get|post|put|patch|delete)\.ts$/.exec(file)?.[1]?.toUpperCase() ?? 'GET',
    brands: /brands: '(own|all|none)'/.exec(
      readFileSync(join('server/api', file), 'utf8'),
    )?.[1] as Route['brands'],
  }))

let web: Awaited<ReturnType<typeof startWeb>>
let cookie: string
let token: string
/** Numbers and names that stand only on what is of the other brand. */
let foreignWords: string[]
let foreign: Record<string, number>
let ownOrder: string

beforeAll(async () => {
  const [theirs, ours] = [house.brands[0]!, house.brands[1]!]
  const [theirCustomer, ourCustomer] = [house.customer('10417'), house.customer('10418')]
  for (const [brand, customer] of [
    [theirs, theirCustomer],
    [ours, ourCustomer],
  ] as const) {
    const order = await house.newOrder({
      brandId: brand.id,
      customerId: customer.id,
      customerName: customer.name,
      status: 'Packed',
    })
    await house.ship([order])
    const document = await documentOf(order)
    await newInvoice(customer.id, brand.id, inTheNameOf('Test'))
    await recordPayment(
      {
        customerId: customer.id,
        direction: 'in',
        date: document.date,
        method: 'bank transfer',
        amount: '10.00',
        currency: 'EUR',
        reference: `money of ${brand.id}`,
        settle: [{ documentId: document.id, amount: '10.00', discount: '0', writeOff: '0' }],
      },
      inTheNameOf('Test'),
    )
    await house.ship([await house.newOrder({ brandId: brand.id, customerId: customer.id })])
  }
  await house.settle()
  // one of each brand at each stage
  for (const [brand, customer] of [
    [theirs, theirCustomer],
    [ours, ourCustomer],
  ] as const) {
    const emails = await rows<{ id: number }>(
      `select id from dispatch where brand_id = $1 and channel = 'email' order by id`,
      [brand.id],
    )
    expect(emails.length).toBeGreaterThan(1)
    await run(`update dispatch set state = 'waiting', held = true where id = $1`, [emails[0]!.id])
    await run(`update dispatch set state = 'stuck', stuck_cause = 'refused' where id = $1`, [emails[1]!.id])
    const back = await house.newOrder({
      brandId: brand.id,
      customerId: customer.id,
      customerName: customer.name,
      status: 'Shipped',
    })
    await run('update sales_order set supplied_on = current_date where id = $1', [back])
    const [made] = await prepareByHand('invoice', [back], inTheNameOf('Test'))
    await putBack([made!.result.preparedId!], inTheNameOf('Test'))
  }
  const found = await one<Record<string, number>>(
    `select (select max(id) from sales_order where brand_id = $1) "order",
      (select max(id) from draft where brand_id = $1) draft, (select max(id) from payment where brand_id = $1) payment,
      (select max(id) from document where brand_id = $1) document,
      (select max(id) from prepared_document where brand_id = $1) prepared,
      (select max(id) from dispatch where brand_id = $1) dispatch,
      (select max(id) from number_series where brand_id = $1) series`,
    [theirs.id],
  )
  foreign = { ...found!, brand: theirs.id, customer: theirCustomer.id }
  foreignWords = [
    theirCustomer.name,
    ...(
      await rows<{ word: string }>(
        `select number word from document where brand_id = $1
        union select number from sales_order where brand_id = $1
        union select 'Draft ' || id from draft where brand_id = $1
        union select 'money of ' || id from brand where id = $1
        union select name from brand where id = $1`,
        [theirs.id],
      )
    ).map(({ word }) => word),
  ]
  ownOrder = (await one<{ number: string }>(
    'select max(number) number from sales_order where brand_id = $1',
    [ours.id],
  ))!.number
  web = await startWeb()
  const answer = await fetch(`${web.base}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: limited.email, password: limited.password }),
  })
  cookie = answer.headers.get('set-cookie')!.split(';')[0]!
  const { id } = (await one<{ id: number }>('select id from staff where email = $1', [limited.email]))!
  token = await makeToken('of a shop', 'write', id)
})
afterAll(() => web?.stop())

/** The document of an order, as soon as it is issued. */
async function documentOf(order: number): Promise<{ id: number; date: string }> {
  const look = () =>
    one<{ id: number; date: string }>('select id, date::text date from document where source_id = $1', [
      order,
    ])
  await until('its invoice', async () => !!(await look()))
  return (await look())!
}

const call = (method: string, path: string, body?: unknown, byToken = false) =>
  fetch(web.base + path, {
    method,
    headers: {
      ...(byToken ? { authorization: `Bearer ${token}` } : { cookie }),
      ...(body === undefined ? {} : { 'content-type': 'application/json' }),
    },
    body: body === undefined ? undefined : JSON.stringify(body),
  })

const today = () => new Date().toISOString().slice(0, 10)
const query: Record<string, string> = {
  '/api/line': '?stage=arrived',
  '/api/line/csv': '?stage=on the way',
  '/api/documents/reconciliation': `?day=${today()}`,
  '/api/documents/reconciliation/csv': `?day=${today()}`,
  '/api/dispatches/stuck-by-address': '?address=nobody@there.example',
}
const lists = routes.filter(
  (route) =>
    route.brands === 'own' &&
    route.method === 'GET' &&
    !route.path.includes('[') &&
    !/live|again|pdf|to-pack/.test(route.path),
)

test('a routine about another brand is not there, and one about all counts its own documents', async () => {
  const theirsOnly = await addRoutine(
    {
      name: 'Invoices of the other brand',
      description: '',
      trust: 'by hand',
      isOn: true,
      sentence: {
        statuses: ['Packed'],
        conditions: [{ about: 'brand', is: 'one of', values: [house.brands[0]!.code] }],
        issue: 'invoice',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    inTheNameOf('Test'),
  )
  const seen = (await (await call('GET', '/api/routines')).json()) as RoutineView[]
  expect(seen.map((one) => one.name)).toEqual(['Invoice when shipped'])
  expect((await call('GET', `/api/routines/${theirsOnly}/versions`)).status).toBe(404)
  const made = await one<{ all: number; own: number }>(
    `select count(*)::int "all", count(*) filter (where brand_id = $1)::int own
    from prepared_document where routine_id = $2 and state = 'issued'`,
    [house.brands[1]!.id, seen[0]!.id],
  )
  expect(seen[0]!.thisMonth).toBe(made!.own)
  expect(made!.own).toBeLessThan(made!.all)
})

test('every route says what of brands is in it', () => {
  expect(routes.filter((route) => route.brands === undefined).map((route) => route.file)).toEqual([])
})

describe.each([
  ['signed in', false],
  ['with a token', true],
])('%s', (_, byToken) => {
  test.each(lists.map((route) => route.path))('%s shows nothing of another brand', async (path) => {
    const answer = await call('GET', path + (query[path] ?? ''), undefined, byToken)
    expect(answer.status).toBe(200)
    const text = await answer.text()
    expect(foreignWords.filter((word) => text.includes(word))).toEqual([])
  })
})

test.each(['to send', 'to check', 'waiting', 'on the way', 'arrived', 'stuck'])(
  'the Line at %s, and its counts, are of the own brand',
  async (stage) => {
    const text = await (await call('GET', `/api/line?stage=${stage}`)).text()
    expect(foreignWords.filter((word) => text.includes(word))).toEqual([])
    const counts = (await (await call('GET', '/api/line/counts')).json()) as {
      stage: string
      count: number
    }[]
    const { rows: listed } = JSON.parse(text) as { rows: unknown[] }
    expect(counts.find((one) => one.stage === stage)!.count).toBe(listed.length)
  },
)

test('an order of another brand is not found by the packing bench, and an own one is', async () => {
  const numbers = await rows<{ number: string; own: boolean }>(
    'select number, brand_id = $1 own from sales_order order by id',
    [house.brands[1]!.id],
  )
  const found = async (own: boolean) =>
    (await call('GET', `/api/shipments/to-pack?code=${numbers.find((one) => one.own === own)!.number}`))
      .status
  expect([await found(true), await found(false)]).toEqual([200, 404])
})

test('what is of the own brand is there', async () => {
  expect(await (await call('GET', '/api/orders')).text()).toContain(ownOrder)
  expect(
    ((await (await call('GET', '/api/documents')).json()) as { rows: unknown[] }).rows.length,
  ).toBeGreaterThan(0)
})

test.each([
  ['GET', '/api/orders/order'],
  ['GET', '/api/orders/order/why'],
  ['GET', '/api/orders/order/confirmed'],
  ['GET', '/api/drafts/draft'],
  ['GET', '/api/documents/document'],
  ['GET', '/api/documents/document/pdf'],
  ['GET', '/api/documents/document/credit'],
  ['GET', '/api/documents/again?ids=document'],
  ['GET', '/api/prepared/prepared'],
  ['GET', '/api/prepared/prepared/pdf'],
  ['GET', '/api/numbers/series'],
  ['GET', '/api/numbers/series/csv'],
  ['GET', '/api/brands/brand/sample'],
  ['GET', '/api/customers/customer'],
  ['GET', '/api/accounts/customer'],
  ['GET', '/api/print-queue/pdf?ids=dispatch'],
  ['POST', '/api/documents/document/void', { reason: 'Mistake' }],
  ['POST', '/api/documents/document/send', { despite: false }],
  ['POST', '/api/documents/reverse-withdrawn', { ids: ['document'] }],
  ['POST', '/api/orders/status', { ids: ['order'], status: 'Held' }],
  ['POST', '/api/prepared/prepare', { sourceIds: ['order'] }],
  ['POST', '/api/prepared/put-back', { ids: ['prepared'] }],
  ['POST', '/api/prepared/drop', { ids: ['prepared'] }],
  ['POST', '/api/dispatches/send-again', { ids: ['dispatch'] }],
  ['POST', '/api/dispatches/keep-back', { ids: ['dispatch'], act: 'hold' }],
  ['POST', '/api/dispatches/decide', { ids: ['dispatch'], act: 'close', reason: 'x' }],
  ['POST', '/api/payments/payment/receipt', {}],
  ['POST', '/api/payments/payment/undo', { reason: 'x' }],
  ['PATCH', '/api/open-items/document', { dispute: 'x' }],
  ['POST', '/api/customers/preferences', { ids: ['customer'], kind: 'invoice', preference: {} }],
] as [string, string, unknown?][])(
  '%s %s of another brand is not there, and changes nothing',
  async (method, path, body) => {
    const id = (text: string) =>
      text.replace(
        /(?<=[/=])(order|draft|document|prepared|series|brand|customer|payment|dispatch)(?=$|[/?])/g,
        (word) => String(foreign[word]),
      )
    const before = await one('select (select count(*) from history) h, (select max(id) from dispatch) d')
    const filled =
      body &&
      JSON.parse(
        JSON.stringify(body).replace(
          /"(order|document|prepared|dispatch|customer)"(?=[\],])/g,
          (_, word: string) => String(foreign[word]),
        ),
      )
    const answer = await call(method, id(path), filled)
    expect(answer.status).toBe(404)
    expect(await one('select (select count(*) from history) h, (select max(id) from dispatch) d')).toEqual(
      before,
    )
  },
)

test.each(
  routes.filter((route) => route.brands === 'all' && route.method === 'GET' && !route.path.includes('[')),
)('$path is about the whole house', async ({ path }) => {
  expect((await call('GET', path)).status).toBe(403)
})

test('a live message names what is of the own brand only', async () => {
  const abort = new AbortController()
  const answer = await fetch(`${web.base}/api/live`, { headers: { cookie }, signal: abort.signal })
  const reader = answer.body!.getReader()
  let heard = ''
  const listening = (async () => {
    for (;;) {
      const { value, done } = await reader.read()
      if (done) return
      heard += new TextDecoder().decode(value)
    }
  })().catch(() => undefined)
  const own = (await one<{ id: number }>('select max(id) id from prepared_document where brand_id = $1', [
    house.brands[1]!.id,
  ]))!.id
  await run('select pg_notify($1, $2)', [
    'clothespin_changes',
    JSON.stringify([{ topic: 'line', ids: [foreign.prepared, own] }]),
  ])
  await until('the message', () => Promise.resolve(heard.includes('"line"')))
  abort.abort()
  await listening
  const { ids } = (JSON.parse(/\[\{.*\}\]/.exec(heard)![0]) as { ids: number[] }[])[0]!
  expect(ids).toEqual([own])
})
