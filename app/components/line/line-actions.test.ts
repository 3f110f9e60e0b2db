import { asWritten, told } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import LineActions from './LineActions.vue'
import LineRemedy from './LineRemedy.vue'
import SendDialog from './SendDialog.vue'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { openDialogs } from '../../testing/dialog'
import type { Stage } from '../../../core/dispatch/states'
import type { LineRow, SendCheck } from '../../contract'

const calls = vi.hoisted(() => ({
  keepBack: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  decideDispatches: vi.fn(async ({ ids }: { ids: number[] }) => ({ ids })),
  sendAgain: vi.fn(async ({ ids }: { ids: number[]; to?: string }) => ({ ids })),
  fetchStuckByAddress: vi.fn(),
  correctAddress: vi.fn(),
  putBack: vi.fn(async (ids: number[]) => ({ ids })),
  prepareDocuments: vi.fn(),
  dropPrepared: vi.fn(),
  checkSend: vi.fn(),
  sendPrepared: vi.fn(async () => ({ runId: 5 })),
  askSecond: vi.fn(async ({ papers }: { papers: unknown[] }) => ({ asked: papers.length })),
  sendDocument: vi.fn(),
}))
vi.mock('../../calls/dispatches', () => calls)
vi.mock('../../calls/prepared', () => calls)
vi.mock('../../calls/documents', () => calls)
vi.mock('../../calls/customers', () => calls)
const runs = vi.hoisted(() => ({ watchRun: vi.fn() }))
vi.mock('../../stores/runs', () => ({ useRuns: () => runs }))

const row = (id: number, change: object = {}) =>
  ({
    id,
    sourceId: id + 1000,
    revision: 1,
    kind: 'invoice',
    of: 'paper',
    channel: 'email',
    sendTo: 'accounts@ottermill.example',
    problem: null,
    changed: false,
    stopped: null,
    orderNumber: `SO-${id}`,
    customerName: 'Ottermill Honey',
    customerId: 7,
    number: `INV-${id}`,
    state: 'waiting',
    held: false,
    ...change,
  }) as LineRow

function signIn(role: 'clerk' | 'reader') {
  const pinia = createPinia()
  setActivePinia(pinia)
  useSession().user = { id: 1, name: 'Bo', email: 'bo@house.example', role }
  useSession().house = { company: { currency: 'EUR', timeZone: 'Europe/Dublin' } } as never // the rest is not asked
  return pinia
}

function actions(
  stage: Stage,
  change: { chosen?: LineRow[]; row?: LineRow | null; allSendable?: number } = {},
  role: 'clerk' | 'reader' = 'clerk',
) {
  const page = mount(LineActions, {
    props: {
      stage,
      chosen: [],
      row: row(1),
      matching: 3,
      allSendable: 0,
      filters: { kind: '', brand: '', over: '', search: '' },
      sums: [],
      ...change,
    },
    global: {
      plugins: [signIn(role)],
      stubs: { ...openDialogs, LineFacts: true, SendDialog: true, DespiteDialog: true },
    },
  })
  const words = () => page.findAll('.foot-bar button').map((one) => one.text())
  const press = async (what: string) => {
    await page
      .findAll('button')
      .find((one) => one.text().startsWith(what))!
      .trigger('click')
    await flushPromises()
  }
  return { page, words, press }
}
beforeEach(() => vi.clearAllMocks())

describe('what can be done with rows of To check', () => {
  test('is said with its count and ways before it is pressed', () => {
    const chosen = [
      row(1),
      row(2, { channel: 'both' }),
      row(3, { channel: 'paper', sendTo: 'Paper, by post' }),
    ]
    expect(actions('to check', { chosen }).words()).toEqual([
      'Return to To send',
      'Send 3: 2 by email, 2 on paper',
    ])
  })

  test('counts only what may go; where nothing may it says why not', () => {
    const chosen = [row(1), row(2, { changed: true }), row(3, { sendTo: 'No address' })]
    expect(actions('to check', { chosen }).words().at(-1)).toBe('Send 1: 1 by email')
    const none = actions('to check', { chosen: [row(2, { problem: asWritten('The logo is missing.') })] })
    expect(none.words().at(-1)).toBe('Why not sent…')
  })

  test('names the one in hand where nobody picked any', () => {
    const one = row(1, { number: 'SO-7' })
    expect(actions('to check', { row: one }).words().at(-1)).toBe('Send SO-7: by email')
    expect(
      actions('stuck', { row: row(1, { number: 'INV-3' }) })
        .words()
        .at(-1),
    ).toBe('Send INV-3 again')
  })

  test('offers all that match while nothing is picked', () => {
    expect(actions('to check', { allSendable: 14 }).words()[0]).toBe('Send all 14…')
    expect(actions('to check', { allSendable: 14, chosen: [row(1)] }).words()[0]).toBe('Return to To send')
  })

  test('of one whose order is held offers to send it although it is', () => {
    expect(actions('to check', { row: row(1, { stopped: 'Held' }) }).words()[0]).toBe('Although Held…')
    expect(
      actions('to check', { chosen: [row(1, { stopped: 'Held' }), row(2)] })
        .words()
        .some((one) => one.startsWith('Although')),
    ).toBe(false)
  })
})

describe('what can be done with waiting ones', () => {
  test('emails are held and let go, each by its own count', async () => {
    const chosen = [row(1), row(2, { held: true }), row(3, { held: true, stopped: 'Held' })]
    const { words, press } = actions('waiting', { chosen })
    expect(words()).toEqual(['Let 1 go', 'Hold 1', 'At a time…', 'Give up…'])
    await press('Let 1 go')
    expect(calls.keepBack).toHaveBeenCalledWith({ ids: [2], act: 'let go' })
  })

  test('print jobs lead to the printer', () => {
    expect(actions('waiting', { row: row(1, { channel: 'paper' }) }).words()).toEqual([
      'Open the print queue',
    ])
  })

  test('given up need a reason', async () => {
    const { page, press } = actions('waiting')
    await press('Give up…')
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
    await page.get('[data-test="close-reason"] input').setValue('sent by the portal')
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(calls.decideDispatches).toHaveBeenCalledWith({
      ids: [1],
      act: 'close',
      reason: 'sent by the portal',
    })
  })

  test('go at a time where the house is, not where the browser is', async () => {
    const { page, press } = actions('waiting')
    await press('At a time…')
    const go = () => page.get('[data-test="ask-go"]')
    expect(go().attributes('disabled')).toBeDefined()
    await page.get('[data-test="later-time"] input').setValue('25:00')
    expect(go().attributes('disabled')).toBeDefined()
    await page.get('[data-test="later-time"] input').setValue('9:30')
    await go().trigger('click')
    await flushPromises()
    const { at } = calls.keepBack.mock.calls[0]![0] as unknown as { at: string }
    expect(
      new Intl.DateTimeFormat('en-GB', {
        timeZone: 'Europe/Dublin',
        hour: '2-digit',
        minute: '2-digit',
      }).format(new Date(at)),
    ).toBe('09:30')
  })
})

test('what is stuck is sent again, printed, or given up; an unclear one may have arrived', () => {
  const chosen = [row(1, { cause: 'unclear' }), row(2)]
  expect(actions('stuck', { chosen }).words()).toEqual([
    'Give up…',
    'Print instead',
    'It arrived',
    'Send 2 again',
  ])
})

test('who may only read sees nothing to press', () => {
  expect(actions('to check', {}, 'reader').words()).toEqual([])
})

describe('the question before a Send', () => {
  const check = (change: object = {}) =>
    ({
      documents: 2,
      rehearsed: 0,
      emails: 1,
      prints: 1,
      toNobody: 0,
      sums: [{ currency: 'EUR', sum: '120.00' }],
      leftOut: [],
      going: [{ id: 1, revision: 1 }],
      ...change,
    }) as unknown as SendCheck
  const noAddress = {
    bar: 'no address',
    count: 1,
    help: told('plan/no-address-help'),
    rows: [],
  }
  async function dialog(
    props: object = {
      papers: [
        { id: 1, revision: 1 },
        { id: 2, revision: 4 },
      ],
    },
  ) {
    const page = mount(SendDialog, {
      props: { modelValue: true, ...props },
      global: { plugins: [signIn('clerk')], stubs: openDialogs },
    })
    await flushPromises()
    return page
  }
  const sent = () => (calls.sendPrepared.mock.calls as unknown[][]).at(-1)![0]

  test('says documents, mails and sum as the server has them now', async () => {
    calls.checkSend.mockResolvedValue(check())
    const page = await dialog()
    expect(page.text()).toContain('Send 2 documents?')
    expect(page.get('[data-test="send-sum"]').text()).toContain('€\u00a0120.00')
    expect(page.get('[data-test="send-ways"]').text()).toBe('1 email, 1 print job.')
  })

  test('sends what the server said would go, not what was picked, under one key', async () => {
    calls.checkSend.mockResolvedValue(check())
    const page = await dialog()
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(sent()).toMatchObject({ papers: [{ id: 1, revision: 1 }], postOnly: false, withoutAddress: false })
    expect(sent()).toHaveProperty('key', expect.stringMatching(/^[0-9a-f-]{36}$/))
    expect(runs.watchRun).toHaveBeenCalledWith(5)
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('of all that match sends the filter with the count that was seen', async () => {
    calls.checkSend.mockResolvedValue(check())
    const page = await dialog({ matching: { kind: 'invoice' } })
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(sent()).toMatchObject({ matching: { kind: 'invoice' }, count: 2 })
  })

  test('names what is left out and what helps, and asks anew when a person decides otherwise', async () => {
    calls.checkSend.mockResolvedValue(check({ leftOut: [noAddress] }))
    const page = await dialog()
    expect(page.get('[data-test="left-out-no address"]').text()).toContain(
      'Add a contact, or issue it without',
    )
    page.findAllComponents({ name: 'CheckField' })[0]!.vm.$emit('update:modelValue', true)
    await flushPromises()
    expect(calls.checkSend).toHaveBeenLastCalledWith(expect.objectContaining({ withoutAddress: true }))
  })

  test('asks a second person for what needs one; with nothing left to send it leaves', async () => {
    const second = {
      ...noAddress,
      bar: 'second look',
      help: told('plan/ask-help'),
    } as const
    const toAsk = [{ id: 1, revision: 4 }]
    calls.checkSend.mockResolvedValue(check({ documents: 0, leftOut: [second], toAsk }))
    const page = await dialog()
    calls.checkSend.mockResolvedValue(check({ documents: 0, leftOut: [second], toAsk: [] }))
    await page.get('[data-test="ask-second"]').trigger('click')
    await flushPromises()
    expect(calls.askSecond).toHaveBeenCalledWith({ papers: toAsk, back: false })
    expect(page.emitted('update:modelValue')!.at(-1)).toEqual([false])
  })

  test('says for how many one is the second person', async () => {
    calls.checkSend.mockResolvedValue(check({ asSecond: 2 }))
    expect((await dialog()).get('[data-test="as-second"]').text()).toContain('2 documents')
  })

  test('says how many go as rehearsals only', async () => {
    calls.checkSend.mockResolvedValue(check({ rehearsed: 1 }))
    expect((await dialog()).get('[data-test="rehearsed"]').text()).toContain('Rehearsed only: 1 document')
  })

  test('with nothing to send cannot be answered', async () => {
    calls.checkSend.mockResolvedValue(check({ documents: 0, leftOut: [noAddress] }))
    const page = await dialog()
    expect(page.text()).toContain('None of these can be sent')
    expect(page.get('[data-test="ask-go"]').attributes('disabled')).toBeDefined()
  })
})

describe('a row that needs a second person', () => {
  const asked = { id: 1, name: 'Bo', at: '2026-11-29T03:00:00Z' }
  const words = (change: object) =>
    actions('to check', { row: row(1, { secondLook: asWritten('over 5,000.00 EUR'), ...change }) })
      .page.get('[data-test="send"]')
      .text()

  test('is sent by somebody else than who asked', () => {
    expect(words({ asked: null })).toContain('Why not sent')
    expect(words({ asked })).toContain('Why not sent')
    expect(words({ asked: { ...asked, id: 2 } })).toContain('Send INV-1')
  })
})

describe('why an email is stuck, and what helps', () => {
  const stuck = (change: object = {}) =>
    row(1, {
      cause: 'bounced',
      reply: '550 5.1.1 No mailbox',
      badAddress: 'acounts@ottermill.example',
      ...change,
    })
  async function remedy(of = stuck(), role: 'clerk' | 'reader' = 'clerk') {
    const page = mount(LineRemedy, {
      props: { row: of },
      global: { plugins: [signIn(role)], stubs: { ...openDialogs, ContactsDialog: true } },
    })
    await flushPromises()
    return page
  }
  const alike = (id: number, why: '' | 'paid' | 'old') => ({
    id,
    number: `INV-${id}`,
    customerName: 'Ottermill Honey',
    isCopy: false,
    date: '2026-11-01',
    days: 40,
    total: '10.00',
    currency: 'EUR',
    why,
    suggested: why === '',
  })

  test('is said with the mail server’s own words', async () => {
    const page = await remedy()
    expect(page.text()).toContain('INV-1, bounced. The mail came back. Correct the address')
    expect(page.text()).toContain('550 5.1.1 No mailbox')
  })

  test('a wrong address is put right everywhere; what is stuck goes again, but what is paid or old', async () => {
    calls.fetchStuckByAddress.mockResolvedValue({ rows: [alike(1, ''), alike(2, 'paid'), alike(3, 'old')] })
    calls.correctAddress.mockResolvedValue({ customers: [{ name: 'Ottermill Honey' }], copies: 2, ids: [1] })
    const page = await remedy()
    await page.get('[data-test="correct"]').trigger('click')
    await flushPromises()
    expect(page.text()).toContain('40 days old')
    const go = page.get('[data-test="ask-go"]')
    expect([go.text(), go.attributes('disabled') !== undefined]).toEqual([
      'Correct it and send 1 again',
      true,
    ])
    await page.get('.form-field input').setValue('accounts@ottermill.example')
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(calls.correctAddress).toHaveBeenCalledWith({
      from: 'acounts@ottermill.example',
      to: 'accounts@ottermill.example',
      again: [1],
    })
    expect(useToasts().toasts.at(-1)!.words).toBe(
      'Corrected at Ottermill Honey, 2 copies; 1 email sent again.',
    )
  })

  test('once to somebody else leaves the customer as it is', async () => {
    const page = await remedy()
    await page.get('[data-test="once"]').trigger('click')
    await page.get('.form-field input').setValue(' other@ottermill.example ')
    await page.get('[data-test="ask-go"]').trigger('click')
    await flushPromises()
    expect(calls.sendAgain).toHaveBeenCalledWith({ ids: [1], to: 'other@ottermill.example' })
    expect(calls.correctAddress).not.toHaveBeenCalled()
  })

  test('without an address asks for a contact; what could not be drawn goes to nobody else', async () => {
    const without = await remedy(stuck({ cause: 'no address', badAddress: null }))
    expect(without.findAll('button').map((one) => one.text())).toEqual(['Add a contact…', 'To someone else…'])
    const undrawn = await remedy(stuck({ cause: 'not drawn', badAddress: null }))
    expect(undrawn.findAll('button').map((one) => one.text())).toEqual(['Contacts…'])
  })

  test('is read only by who may only read', async () => {
    expect((await remedy(stuck(), 'reader')).findAll('button')).toHaveLength(0)
  })
})
