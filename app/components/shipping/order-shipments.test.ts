import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import OrderShipments from './OrderShipments.vue'
import Ask from '../frame/Ask.vue'
import { openDialogs } from '../../testing/dialog'
import { signedIn } from '../../testing/signed-in'
import type { OrderView } from '../../contract'

const calls = vi.hoisted(() => ({ cancelRest: vi.fn(), fetchOrder: vi.fn() }))
vi.mock('../../calls/shipments', () => calls)
vi.mock('../../calls/orders', () => calls)

const standing = (position: number, ordered: string, shipped: string) => ({
  position,
  ordered,
  shipped,
  cancelled: '0',
  left: String(Number(ordered) - Number(shipped)),
})
const shipment = (number: number, change: object = {}) => ({
  id: 30 + number,
  number,
  label: `SO-1/${number}`,
  state: 'packed',
  day: '2026-11-27',
  parcels: 2,
  ways: [],
  ...change,
})
const order = (change: object = {}) =>
  ({
    id: 9,
    number: 'SO-1',
    version: 4,
    status: 'Packed',
    stopped: null,
    suppliedOn: null,
    shipments: [],
    returns: [],
    papers: [],
    standing: [standing(1, '5', '0')],
    ...change,
  }) as unknown as OrderView // the rest is not asked
function shown(change: object = {}, dirty = false, role: 'clerk' | 'reader' = 'clerk') {
  const page = mount(OrderShipments, {
    props: { order: order(change), dirty },
    global: { plugins: [signedIn(role)], stubs: openDialogs },
  })
  return { page, has: (name: string) => page.find(`[data-test="${name}"]`).exists() }
}
const inPart = { shipments: [shipment(1)], standing: [standing(1, '5', '2')] }
const whole = { shipments: [shipment(1)], standing: [standing(1, '5', '5')] }

beforeEach(() => {
  calls.cancelRest.mockReset().mockResolvedValue({ version: 5 })
  calls.fetchOrder.mockReset().mockResolvedValue({ total: '20.00', currency: 'EUR' })
})

describe('what of an order was shipped', () => {
  test('says that nothing is, some is, or all is', () => {
    const said = (change: object) => shown(change).page.get('[data-test="left-to-ship"]').text()
    expect(said({})).toBe('Nothing is shipped yet.')
    expect(said(inPart)).toBe('1 line still to ship.')
    expect(said(whole)).toBe('Everything is shipped.')
  })

  test('is billed and cancelled only where something went and no invoice took it whole', () => {
    expect(shown().has('bill-shipped')).toBe(false)
    expect(shown(inPart).has('bill-shipped')).toBe(true)
    expect(shown(inPart).has('cancel-rest')).toBe(true)
    expect(shown(whole).has('cancel-rest')).toBe(false)
    const papers = [{ kind: 'invoice', sourceId: 9, documentId: 3, voided: false }]
    expect(shown({ ...inPart, papers }).has('bill-shipped')).toBe(false)
    expect(shown({ ...inPart, papers: [{ ...papers[0], voided: true }] }).has('bill-shipped')).toBe(true)
  })

  test('an order that is held ships nothing, and its goods come back all the same', () => {
    const { has } = shown({ ...inPart, stopped: 'Held' })
    expect(has('ship')).toBe(false)
    expect(has('goods-come-back')).toBe(true)
    expect(shown({ stopped: 'Withdrawn', suppliedOn: '2026-11-20' }).has('goods-come-back')).toBe(true)
  })

  test('nothing comes back of goods that never left', () => {
    expect(shown().has('goods-come-back')).toBe(false)
    expect(shown({ status: 'Draft', suppliedOn: '2026-11-20' }).has('goods-come-back')).toBe(false)
  })

  test('shipments and returns are each a way to their screen; one that was undone is struck', () => {
    const { page } = shown({
      ...inPart,
      shipments: [shipment(1), shipment(2, { state: 'taken back' })],
      returns: [{ id: 70, number: 1, state: 'withdrawn', quantity: '2', credits: [], ways: [] }],
    })
    expect(page.get('[data-test="shipment-1"]').text()).toContain('2 parcels')
    expect(page.get('[data-test="shipment-2"]').classes()).toContain('gone')
    expect(page.get('[data-test="return-1"]').classes()).toContain('gone')
  })

  test('the rest is cancelled after a question, and the order’s new sum is said', async () => {
    const { page } = shown(inPart)
    await page.get('[data-test="cancel-rest"]').trigger('click')
    expect(calls.cancelRest).not.toHaveBeenCalled()
    page.getComponent(Ask).vm.$emit('go')
    await flushPromises()
    expect(calls.cancelRest).toHaveBeenCalledWith(9, 4)
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('nothing is done while the order is being changed, nor by who only reads', () => {
    expect(shown(inPart, true).page.get('[data-test="bill-shipped"]').attributes('disabled')).toBeDefined()
    const reader = shown(inPart, false, 'reader')
    for (const act of ['bill-shipped', 'cancel-rest', 'ship', 'goods-come-back'])
      expect(reader.has(act)).toBe(false)
    expect(reader.has('shipment-1')).toBe(true)
  })
})
