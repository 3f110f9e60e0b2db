import { told, asWritten } from '../../../core/said/told'
import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, test, vi } from 'vitest'
import DespiteDialog from '../line/DespiteDialog.vue'
import GoodsPapers from './GoodsPapers.vue'
import SendDialog from '../line/SendDialog.vue'
import { useToasts } from '../../stores/toasts'
import { signedIn } from '../../testing/signed-in'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { ShipmentView } from '../../contract'

const calls = vi.hoisted(() => ({ prepareDocuments: vi.fn() }))
vi.mock('../../calls/prepared', () => calls)

type Paper = ShipmentView['papers'][number]
const paper = (kind: DocumentKind, change: Partial<Paper> = {}): Paper => ({
  id: 4,
  kind,
  state: 'prepared',
  revision: 2,
  problem: null,
  documentId: null,
  number: null,
  voided: false,
  ...change,
})
function shown(papers: Paper[], change: object = {}, role: 'clerk' | 'reader' = 'clerk', kindsOff = []) {
  return mount(GoodsPapers, {
    props: {
      goods: {
        id: 9,
        orderNumber: 'SO-1',
        customerName: 'Ottermill',
        stopped: null,
        stands: true,
        papers,
        history: [],
        ...change,
      },
      kinds: ['packing slip', 'delivery note', 'shipping label'],
      label: 'Documents',
      dirty: false,
    },
    global: {
      plugins: [signedIn(role, { kindsOff })],
      stubs: {
        DocumentPane: true,
        PreparedPane: true,
        HistoryLeaf: true,
        SendDialog: true,
        DespiteDialog: true,
      },
    },
  })
}
const tabOf = (page: ReturnType<typeof shown>, kind: string) => page.get(`[data-kind="${kind}"]`)
beforeEach(() => {
  calls.prepareDocuments.mockReset().mockResolvedValue({ already: [] })
})

describe('documents of goods', () => {
  test('are each told by its number, or that it waits, or is not there yet', () => {
    const page = shown([
      paper('packing slip', { state: 'issued', documentId: 7, number: 'PS-00031' }),
      paper('delivery note'),
    ])
    expect(tabOf(page, 'packing slip').text()).toContain('PS-00031')
    expect(tabOf(page, 'delivery note').text()).toContain('To check')
    expect(tabOf(page, 'shipping label').text()).not.toContain('To check')
  })

  test('one that was voided can be prepared anew', async () => {
    const page = shown([
      paper('packing slip', { state: 'issued', documentId: 7, number: 'PS-1', voided: true }),
    ])
    expect(tabOf(page, 'packing slip').text()).not.toContain('PS-1')
    await page.get('[data-test="prepare-paper"]').trigger('click')
    await flushPromises()
    expect(calls.prepareDocuments).toHaveBeenCalledWith({ kind: 'packing slip', sourceIds: [9] })
    expect(page.emitted('done')).toHaveLength(1)
  })

  test('say what came of it in the words of the server', async () => {
    calls.prepareDocuments.mockResolvedValue({ already: [asWritten('Nothing was made: it goes by itself.')] })
    const page = shown([])
    await page.get('[data-test="prepare-paper"]').trigger('click')
    await flushPromises()
    expect(useToasts().toasts.at(-1)!.words).toBe('Nothing was made: it goes by itself.')
  })

  test('are asked about once more while the order is held', async () => {
    const page = shown([paper('delivery note')], { stopped: 'Held' })
    await tabOf(page, 'delivery note').trigger('click')
    await page.get('[data-test="send-paper"]').trigger('click')
    expect(page.findComponent(SendDialog).exists()).toBe(false)
    expect(page.getComponent(DespiteDialog).props('act')).toBe('send')
    expect(page.getComponent(DespiteDialog).props('row')).toMatchObject({
      id: 4,
      revision: 2,
      stopped: 'Held',
    })
  })

  test('go as they were looked at; one with a problem does not', async () => {
    const page = shown([paper('packing slip')])
    await page.get('[data-test="send-paper"]').trigger('click')
    expect(page.getComponent(SendDialog).props('papers')).toEqual([{ id: 4, revision: 2 }])
    const wrong = shown([paper('packing slip', { problem: told('problem/shipment-undone') })])
    expect(wrong.get('[data-test="send-paper"]').attributes('disabled')).toBeDefined()
  })

  test('labels are made at the parcels, and never prepared here', async () => {
    const page = shown([])
    await tabOf(page, 'shipping label').trigger('click')
    expect(page.find('[data-test="prepare-paper"]').exists()).toBe(false)
  })

  test('a kind that the house does not use is not offered, and stays where it is there', () => {
    const off = ['delivery note'] as never[]
    expect(shown([], {}, 'clerk', off).find('[data-kind="delivery note"]').exists()).toBe(false)
    const there = [paper('delivery note', { state: 'issued', documentId: 3, number: 'DN-1' })]
    expect(tabOf(shown(there, {}, 'clerk', off), 'delivery note').text()).toContain('DN-1')
  })

  test('are not made by who only reads, nor of goods that were undone', () => {
    expect(shown([], {}, 'reader').find('[data-test="prepare-paper"]').exists()).toBe(false)
    expect(shown([], { stands: false }).find('[data-test="prepare-paper"]').exists()).toBe(false)
  })
})
