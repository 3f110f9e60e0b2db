import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, test, vi } from 'vitest'
import ProveDialog from './ProveDialog.vue'
import { api } from '../../composables/api'
import { useProving } from '../../stores/proving'
import { openDialogs } from '../../testing/dialog'

/* What could let others in asks for the password again; the call that was refused is made once more, or is not. */
const pinia = createPinia()
const answer = (status: number, body: object) =>
  Promise.resolve(new Response(JSON.stringify(body), { status }))
const server = vi.fn<(method: string, path: string, body: unknown) => Promise<Response>>()
vi.stubGlobal('fetch', (url: URL, options: { method: string; body?: string }) =>
  server(options.method, url.pathname, options.body && JSON.parse(options.body)),
)
let proved = false
beforeEach(() => {
  setActivePinia(pinia)
  proved = false
  server.mockReset().mockImplementation((_method, path, body) => {
    if (path !== '/api/session/prove')
      return proved ? answer(200, { ok: true }) : answer(403, { code: 'password-needed', title: 'Again.' })
    const { password, code } = body as { password: string; code: string }
    if (password !== 'meadow')
      return answer(400, { code: 'wrong-password', title: 'That is not it.', about: { field: 'password' } })
    if (!code) return answer(401, { code: 'code-needed', title: 'Enter the code.', about: { field: 'code' } })
    proved = true
    return answer(200, { ok: true })
  })
})
const ended = () => server.mock.calls.filter(([, path]) => path === '/api/staff/3/leave').length
function asked() {
  const page = mount(ProveDialog, { global: { plugins: [pinia], stubs: openDialogs } })
  const leave = api.post('/api/staff/{id}/leave', { path: { id: 3 }, body: { version: 1 } })
  const outcome = leave.then(
    () => 'done',
    (error: Error & { code: string }) => error.code,
  )
  const go = async () => {
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
  }
  return { page, outcome, go }
}

test('password and code are asked for one after the other, and then the call is made once more', async () => {
  const { page, outcome, go } = asked()
  await flushPromises()
  await page.get('[data-test="prove-password"] input').setValue('a guess')
  await go()
  expect(page.text()).toContain('That is not it.')
  expect(page.find('[data-test="prove-code"]').exists()).toBe(false)
  await page.get('[data-test="prove-password"] input').setValue('meadow')
  await go()
  await page.get('[data-test="prove-code"] input').setValue('123456')
  await go()
  expect(await outcome).toBe('done')
  expect(ended()).toBe(2)
  expect(useProving().asked).toBe(false)
})

test('whoever leaves the question has done nothing, and is told what was refused', async () => {
  const { outcome } = asked()
  await flushPromises()
  useProving().leave()
  expect(await outcome).toBe('password-needed')
  expect(ended()).toBe(1)
})

test('two calls at once share one question', async () => {
  const first = asked()
  const second = api.post('/api/staff/{id}/leave', { path: { id: 3 }, body: { version: 1 } })
  await flushPromises()
  await first.page.get('[data-test="prove-password"] input').setValue('meadow')
  await first.go()
  await first.page.get('[data-test="prove-code"] input').setValue('123456')
  await first.go()
  expect([await first.outcome, await second]).toEqual(['done', { ok: true }])
  expect(server.mock.calls.filter(([, path]) => path === '/api/session/prove')).toHaveLength(2)
})
