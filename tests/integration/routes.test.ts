import { readFileSync, readdirSync } from 'node:fs'
import { join, relative } from 'node:path'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { demoStaff } from '../../demo/house'
import { rows, run } from '../../server/db/connection'
import { startWeb } from '../web'
import { useHouse } from './house'

/*
 * Walks every route there is with nobody and with every role. A route that is not made with the one helper
 * fails here.
 */
const house = useHouse({ jobs: false })

interface Route {
  file: string
  method: string
  path: string
  role: string
}

const routes: Route[] = readdirSync('server/api', { recursive: true, encoding: 'utf8' })
  // the one for what no other route has is looked at in security.test.ts
  .filter((file) => /(?<!\.check)\.ts$/.test(file) && !file.startsWith('[...'))
  .map((file) => {
    const source = readFileSync(join('server/api', file), 'utf8')
    const method = /\.(get|post|put|patch|delete)\.ts$/.exec(file)?.[1]?.toUpperCase() ?? 'GET'
    const path = `/api/${relative('.', file)
      .replace(/(\.(get|post|put|patch|delete))?\.ts$/, '')
      .replace(/(^|\/)index$/, '')
      .replace(/\[id\]/g, '999999')}`
    return {
      file,
      method,
      path,
      role: /export default route[^(]*\(\s*\{\s*role: '(\w+)'/s.exec(source)?.[1] ?? 'none',
    }
  })

let web: Awaited<ReturnType<typeof startWeb>>
const cookies = new Map<string, string>()

beforeAll(async () => {
  // all routes are asked by nobody within a minute
  process.env.CLOTHESPIN_RATE_FACTOR = '3'
  web = await startWeb()
  for (const person of demoStaff().filter((one) => !one.brands)) {
    const answer = await fetch(`${web.base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email: person.email, password: person.password }),
    })
    cookies.set(person.role, answer.headers.get('set-cookie')!.split(';')[0]!)
  }
})
afterAll(() => web?.stop())

const call = (route: Pick<Route, 'method' | 'path'>, role?: string, headers: Record<string, string> = {}) => {
  const abort = new AbortController()
  const answer = fetch(web.base + route.path, {
    method: route.method,
    signal: abort.signal,
    headers: {
      ...(role ? { cookie: cookies.get(role)! } : {}),
      ...(['GET', 'DELETE'].includes(route.method) ? {} : { 'content-type': 'application/json' }),
      ...headers,
    },
    body: ['GET', 'DELETE'].includes(route.method) ? undefined : '{}',
  })
  return answer.then((response) => {
    if (route.path === '/api/live') abort.abort()
    return response
  })
}

describe('every route', () => {
  test('is made with the one helper', () => {
    expect(routes.length).toBeGreaterThan(25)
    expect(routes.filter((route) => route.role === 'none').map((route) => route.file)).toEqual([])
    expect(
      routes
        .filter((route) => route.role === 'anyone')
        .map((route) => route.path)
        .sort(),
    ).toEqual([
      // a carrier, by its signature
      '/api/carriers/999999/news',
      '/api/first-visit',
      '/api/health',
      '/api/session',
      '/api/session',
      '/api/session',
      '/api/session/choose-password',
      '/api/session/forgotten',
    ])
  })

  test.each(routes.filter((route) => route.role !== 'anyone'))(
    '$method $path refuses nobody and lesser roles, and lets its own in',
    async (route) => {
      expect((await call(route)).status).toBe(401)
      const rank = ['reader', 'clerk', 'supervisor']
      for (const role of rank) {
        const { status } = await call(route, role)
        if (rank.indexOf(role) < rank.indexOf(route.role)) expect(status, `${role}`).toBe(403)
        else expect([401, 403, 500], `${role}: ${status}`).not.toContain(status)
      }
    },
  )

  test('that writes refuses another origin', async () => {
    for (const route of routes.filter((one) => one.method !== 'GET'))
      expect((await call(route, 'supervisor', { origin: 'https://evil.example' })).status, route.path).toBe(
        403,
      )
  })

  test('answers bad input as problem+json with the field, and changes nothing', async () => {
    const before = await rows('select * from prepared_document')
    const answer = await fetch(`${web.base}/api/prepared/put-back`, {
      method: 'POST',
      headers: { cookie: cookies.get('clerk')!, 'content-type': 'application/json' },
      body: JSON.stringify({ ids: ['x'] }),
    })
    expect(answer.status).toBe(400)
    expect(answer.headers.get('content-type')).toContain('application/problem+json')
    expect(await answer.json()).toMatchObject({ code: 'bad-input', status: 400, about: { field: 'ids.0' } })
    expect(await rows('select * from prepared_document')).toEqual(before)
  })
})

describe('signing in', () => {
  const tryIn = (email: string, password: string) =>
    fetch(`${web.base}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ email, password }),
    })

  test('an unknown address and a wrong password are answered alike', async () => {
    const [unknown, wrong] = [
      await tryIn('who@tansyhollow.example', 'x'),
      await tryIn('ida@tansyhollow.example', 'x'),
    ]
    expect([unknown.status, wrong.status]).toEqual([401, 401])
    expect(((await unknown.json()) as { title: string }).title).toBe(
      ((await wrong.json()) as { title: string }).title,
    )
  })

  test('after eight wrong passwords it has to wait, even with the right one', async () => {
    for (let count = 0; count < 8; count++) await tryIn('col@tansyhollow.example', 'wrong')
    expect((await tryIn('col@tansyhollow.example', 'meadow-clerk')).status).toBe(429)
  })

  test('the cookie is closed to scripts and to other sites', async () => {
    const answer = await tryIn('ida@tansyhollow.example', 'meadow-reader')
    expect(answer.headers.get('set-cookie')).toMatch(/HttpOnly/i)
    expect(answer.headers.get('set-cookie')).toMatch(/SameSite=Lax/i)
  })

  test('signing out ends the stream of changes', async () => {
    const cookie = cookies.get('reader')!
    const stream = await fetch(`${web.base}/api/live`, { headers: { cookie } })
    const ended = (async () => {
      const reader = stream.body!.getReader()
      for (;;) if ((await reader.read()).done) return true
    })()
    await new Promise((resolve) => setTimeout(resolve, 500))
    await fetch(`${web.base}/api/session`, { method: 'DELETE', headers: { cookie } })
    expect(
      await Promise.race([ended, new Promise((resolve) => setTimeout(() => resolve(false), 5000))]),
    ).toBe(true)
    void house
  })
})

describe('what could let others in', () => {
  const provedRoutes = routes.filter(({ file }) =>
    /proved: true/.test(readFileSync(join('server/api', file), 'utf8')),
  )

  test('is people, mail accounts, carriers and tokens', () => {
    const writes = routes.filter(
      ({ path, method }) =>
        method !== 'GET' &&
        /^\/api\/(staff|mail-accounts|carriers|tokens)(\/|$)/.test(path) &&
        !path.endsWith('/news') &&
        !/DELETE .*tokens/.test(`${method} ${path}`),
    )
    expect(provedRoutes.map(({ file }) => file).sort()).toEqual(writes.map(({ file }) => file).sort())
  })

  test('asks for the password again after a quarter of an hour, and a wrong one opens nothing', async () => {
    const prove = (password: string) =>
      fetch(`${web.base}/api/session/prove`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: cookies.get('supervisor')! },
        body: JSON.stringify({ password }),
      })
    const answers = async () => {
      const codes: string[] = []
      for (const route of provedRoutes) {
        const answer = await call(route, 'supervisor')
        codes.push(((await answer.json()) as { code: string }).code)
      }
      return codes
    }
    expect(await answers()).not.toContain('password-needed')
    await run(`update session set proved_at = now() - interval '16 minutes'`)
    expect(new Set(await answers())).toEqual(new Set(['password-needed']))
    expect((await prove('a guess')).status).toBe(400)
    expect(new Set(await answers())).toEqual(new Set(['password-needed']))
    expect((await prove(demoStaff().find((one) => one.role === 'supervisor')!.password)).status).toBe(200)
    expect(await answers()).not.toContain('password-needed')
  })
})
