import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import { api, ApiRefusal, attempt, filledPath } from './api'
import { useSession } from '../stores/session'
import { useToasts } from '../stores/toasts'

const answers = (status: number, body: unknown) =>
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => Response.json(body, { status })),
  )
const asked = () => vi.mocked(fetch).mock.calls[0] as unknown as [URL, RequestInit]

beforeEach(() => setActivePinia(createPinia()))

describe('a call of our own server', () => {
  test('names what it is about in its address, and leaves out what is empty', async () => {
    answers(200, { rows: [], after: null })
    await api.get('/api/numbers/{id}', { path: { id: 7 }, query: { period: '2026', after: '', limit: 60 } })
    expect(asked()[0].pathname + asked()[0].search).toBe('/api/numbers/7?period=2026&limit=60')
  })

  test('does not let a name leave its place in the address', () => {
    expect(filledPath('/api/imports/{id}/rows/{line}', { id: '../x', line: 2 })).toBe(
      '/api/imports/..%2Fx/rows/2',
    )
  })

  test('sends its body as JSON', async () => {
    answers(200, { ok: true })
    await api.patch('/api/open-items/{id}', { path: { id: 3 }, body: { dispute: 'broken jars' } })
    expect(asked()[1]).toMatchObject({ method: 'PATCH', body: '{"dispute":"broken jars"}' })
  })

  test('that is refused is thrown with its sentence and its field', async () => {
    answers(400, { code: 'bad-address', title: '“x” is not an email address.', about: { field: 'to' } })
    const refused = await api.get('/api/guide').catch((error: unknown) => error)
    expect(refused).toBeInstanceOf(ApiRefusal)
    expect(refused).toMatchObject({
      code: 'bad-address',
      status: 400,
      message: '“x” is not an email address.',
      about: { field: 'to' },
    })
  })

  test('that is refused in an answer of 200 is a refusal all the same', async () => {
    const body = {
      status: 409,
      code: 'in-use',
      says: 'in-use/group',
      values: {},
      title: 'In use.',
      about: {},
    }
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => Response.json(body, { headers: { 'content-type': 'application/problem+json' } })),
    )
    const refused = await api.get('/api/guide').catch((error: unknown) => error)
    expect(refused).toMatchObject({ code: 'in-use', status: 409 })
    expect(asked()[1].headers).toMatchObject({ 'clothespin-refusals': 'in the body' })
  })

  test('of somebody who is not signed in any more ends the session on the screen', async () => {
    useSession().user = { name: 'Maeve' } as never
    answers(401, { code: 'not-signed-in', title: 'Sign in again.' })
    await expect(api.get('/api/guide')).rejects.toThrow('Sign in again.')
    expect(useSession().user).toBeNull()
  })

  test('that is not answered says so, and that nothing was changed', async () => {
    vi.stubGlobal(
      'fetch',
      vi.fn(async () => {
        throw new TypeError('failed')
      }),
    )
    expect(await attempt(async () => void (await api.get('/api/guide')))).toBe(false)
    expect(
      useToasts()
        .toasts.map((one) => one.words)
        .join(),
    ).toContain('Nothing was changed')
  })
})
