import { afterAll, afterEach, beforeAll, describe, expect, test } from 'vitest'
import { demoStaff } from '../../demo/house'
import { run } from '../../server/db/connection'
import { startWeb } from '../web'
import { useHouse } from './house'

/*
 * What the door lets in: sessions that end at once, origins, guessers, limits behind a proxy, and what the
 * answers' heads say.
 */
useHouse({ jobs: false })
let web: Awaited<ReturnType<typeof startWeb>>
const clerk = demoStaff().find((person) => person.role === 'clerk')!

beforeAll(async () => {
  process.env.CLOTHESPIN_TRUSTED_PROXIES = '127.0.0.1'
  web = await startWeb()
})
afterAll(() => web?.stop())
afterEach(() => run('delete from rate_limit'))

/** A call from an address, as the trusted proxy in front tells it. */
const call = (path: string, init: RequestInit & { from?: string } = {}) =>
  fetch(web.base + path, {
    ...init,
    headers: {
      'content-type': 'application/json',
      'x-forwarded-for': init.from ?? '198.51.100.7',
      ...(init.headers as Record<string, string>),
    },
  })
const signIn = (password: string, init: { from?: string; cookie?: string } = {}) =>
  call('/api/session', {
    method: 'POST',
    from: init.from,
    headers: init.cookie ? { cookie: init.cookie } : {},
    body: JSON.stringify({ email: clerk.email, password }),
  })
const cookiesOf = (answer: Response) => answer.headers.getSetCookie().map((one) => one.split(';')[0]!)
const me = async (cookie: string) =>
  ((await (await call('/api/session', { headers: { cookie } })).json()) as { user: { role: string } | null })
    .user

describe('a session', () => {
  const session = async () => cookiesOf(await signIn(clerk.password)).join('; ')

  test('ends at once when its person signs out: the same cookie opens nothing', async () => {
    const cookie = await session()
    expect(await me(cookie)).toMatchObject({ role: 'clerk' })
    await call('/api/session', { method: 'DELETE', headers: { cookie } })
    expect(await me(cookie)).toBeNull()
    expect((await call('/api/orders', { headers: { cookie } })).status).toBe(401)
  })

  test('ends at once when the role changes, also its open stream', async () => {
    const cookie = await session()
    const live = await call('/api/live', { headers: { cookie } })
    const ended = (async () => {
      const reader = live.body!.getReader()
      while (!(await reader.read()).done);
    })().catch(() => {})
    await run(`update staff set role = 'reader' where email = $1`, [clerk.email])
    expect(await me(cookie)).toBeNull()
    await ended
    await run(`update staff set role = 'clerk' where email = $1`, [clerk.email])
    expect(await me(cookie)).toBeNull()
  })

  test('ends with the person who leaves', async () => {
    await run(
      `insert into staff (email, name, role, password_hash)
      select 'new@tansyhollow.example', 'New', 'clerk', password_hash
      from staff
      where email = $1`,
      [clerk.email],
    )
    const answer = await call('/api/session', {
      method: 'POST',
      body: JSON.stringify({ email: 'new@tansyhollow.example', password: clerk.password }),
    })
    const cookie = cookiesOf(answer).join('; ')
    expect(await me(cookie)).not.toBeNull()
    await run(`delete from staff where email = 'new@tansyhollow.example'`)
    expect(await me(cookie)).toBeNull()
  })
})

test.each(['null', 'rubbish', 'https://evil.example', ''])(
  'an origin of “%s” may not write',
  async (origin) => {
    const answer = await call('/api/session', { method: 'DELETE', headers: { origin: origin || 'http://' } })
    expect(answer.status).toBe(403)
    expect(answer.headers.get('content-type')).toContain('application/problem+json')
  },
)

test('unknown paths and methods are said as problems', async () => {
  const path = await call('/api/no/such/thing')
  expect([path.status, path.headers.get('content-type')]).toEqual([404, 'application/problem+json'])
  expect(await path.json()).toMatchObject({ status: 404, code: 'no-such-path' })
  const method = await call('/api/health', { method: 'PUT', body: '{}' })
  expect([method.status, method.headers.get('content-type')]).toEqual([405, 'application/problem+json'])
})

describe('the heads of answers', () => {
  test('let no inline script run but those the page was built with, and name no maker', async () => {
    const page = await call('/')
    const policy = page.headers.get('content-security-policy')!
    const scripts = /script-src ([^;]+)/.exec(policy)![1]!
    expect(scripts).not.toContain('unsafe-inline')
    expect(scripts).toContain("'wasm-unsafe-eval'")
    const html = await page.text()
    const inline = [...html.matchAll(/<script\b([^>]*)>([^<]+)<\/script>/g)].filter(
      ([, head]) => !/src=/.test(head!),
    )
    expect(scripts.match(/sha256-/g) ?? []).toHaveLength(inline.length)
    for (const answer of [page, await call('/api/health')])
      expect(answer.headers.get('x-powered-by')).toBeNull()
  })

  test('let nobody on the way keep data', async () => {
    const [cookie] = cookiesOf(await signIn(clerk.password))
    for (const path of ['/api/orders', '/api/session', '/api/no/such'])
      expect(
        (await call(path, { headers: { cookie: cookie! } })).headers.get('cache-control'),
        path,
      ).toContain('no-store')
  })
})

describe('limits', () => {
  test('count the person behind a proxy, survive a restart, and leave health out', async () => {
    const many = async (path: string, from: string, count: number) => {
      const answers: number[] = []
      for (let at = 0; at < count; at += 20)
        answers.push(
          ...(await Promise.all(Array.from({ length: 20 }, async () => (await call(path, { from })).status))),
        )
      return answers
    }
    expect(await many('/api/health', '203.0.113.5', 260)).not.toContain(429)
    expect(await many('/api/session', '203.0.113.5', 260)).toContain(429)
    expect((await call('/api/session', { from: '203.0.113.6' })).status).toBe(200)
    // whoever is in front of the proxy can write any address into the head: the last is the proxy's own word
    expect((await call('/api/session', { from: '192.0.2.1, 203.0.113.5' })).status).toBe(429)
    await web.stop()
    web = await startWeb()
    expect((await call('/api/session', { from: '203.0.113.5' })).status).toBe(429)
    expect((await call('/api/health', { from: '203.0.113.5' })).status).toBe(200)
  })

  test('guessing a password slows the guesser, not the owner', async () => {
    const owner = cookiesOf(await signIn(clerk.password, { from: '203.0.113.20' }))
    for (let at = 0; at < 8; at++) expect((await signIn('guess', { from: '203.0.113.66' })).status).toBe(401)
    expect((await signIn(clerk.password, { from: '203.0.113.66' })).status).toBe(429)
    expect((await signIn(clerk.password, { from: '203.0.113.20' })).status).toBe(200)
    // from the guesser's own place, but in the browser that signed in before
    const known = owner.find((cookie) => cookie.startsWith('clothespin-known='))!
    expect((await signIn(clerk.password, { from: '203.0.113.66', cookie: known })).status).toBe(200)
    expect(
      (await signIn(clerk.password, { from: '203.0.113.66', cookie: 'clothespin-known=made-up' })).status,
    ).toBe(429)
  })
})
