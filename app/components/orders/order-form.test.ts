import { describe, expect, test } from 'vitest'
import { formOfOrder, writtenOrder } from './order-form'
import type { OrderView } from '../../contract'

const line = {
  item: 'HB-10N',
  description: 'Brood box',
  detail: null,
  unit: '',
  quantity: '12',
  unitPrice: '41.50',
  discountPercent: '0',
  taxCode: 'standard',
}
const beside = { adjustments: [], billToId: null, delivery: null, internalNote: '', branchId: null }
const order = {
  lines: [line],
  reference: null,
  customerNote: 'Leave it at the gate',
  fields: { 'Season order': 'yes' },
  ...beside,
} as Partial<OrderView> as OrderView

describe('the form of an order', () => {
  test('is saved as it came where nothing was written', () => {
    expect(writtenOrder(formOfOrder(order))).toEqual({
      lines: [line],
      reference: null,
      customerNote: 'Leave it at the gate',
      fields: { 'Season order': 'yes' },
      ...beside,
    })
  })

  test('keeps where the goods go without empty lines, and nowhere of its own where no line is left', () => {
    const form = formOfOrder(order)
    form.delivery = { name: 'Barn', lines: ['Barn Lane', ''], country: 'IE' }
    expect(writtenOrder(form).delivery?.lines).toEqual(['Barn Lane'])
    form.delivery.lines = ['']
    expect(writtenOrder(form).delivery).toBeNull()
  })

  test('never writes into the order that it came from', () => {
    const form = formOfOrder(order)
    form.lines[0]!.quantity = '13'
    form.fields['Season order'] = 'no'
    expect([order.lines[0]!.quantity, order.fields['Season order']]).toEqual(['12', 'yes'])
  })

  test('leaves out an own field that was emptied, and a reference too', () => {
    const form = formOfOrder(order)
    form.fields['Season order'] = ''
    form.customerNote = ''
    expect(writtenOrder(form)).toMatchObject({ customerNote: null, fields: {} })
  })

  test('is empty while no order is loaded', () => {
    expect(formOfOrder(undefined)).toEqual({
      lines: [],
      reference: '',
      customerNote: '',
      fields: {},
      ...beside,
    })
  })
})
