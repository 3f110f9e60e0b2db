import type { CustomerData } from '../demo/house'
import { addOrder } from '../server/services/orders/orders'
import { inTheNameOf } from '../server/services/people/principal'
import { addRoutine } from '../server/services/routines/routines'
import type { BenchHouse } from './house'

/* Orders to measure with: packed, of eight lines each. */

/** Customers whose documents go by email without a question. */
export const reachableCustomers = ({ customers }: BenchHouse): CustomerData[] =>
  customers.filter(
    (customer) =>
      customer.contacts.some((contact) => contact[2] === 'billing') &&
      customer.billing &&
      !customer.preferences,
  )

export const invoiceWhenShipped = () =>
  addRoutine(
    {
      name: 'Invoice when shipped',
      description: '',
      trust: 'automatic',
      isOn: true,
      sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
    },
    inTheNameOf('Bench'),
  )

/** @param brand the place of the order's brand among those of the house */
export async function benchOrders(
  { brands, items }: BenchHouse,
  wanted: readonly { customer: CustomerData; brand: number }[],
): Promise<number[]> {
  const ids: number[] = []
  for (const [index, { customer, brand }] of wanted.entries())
    ids.push(
      await addOrder(
        {
          number: `B-${index + 1}`,
          brandId: brands[brand]!.id,
          customerId: customer.id,
          customerName: customer.name,
          date: '2026-11-20',
          status: 'Packed',
          currency: 'EUR',
          pricesIncludeTax: false,
          reference: null,
          salesperson: '',
          customerNote: null,
          prepaid: '0',
          adjustments: [],
          lines: Array.from({ length: 8 }, (_, line) => ({
            item: items[(index + line) % items.length]!.code,
            description: items[(index + line) % items.length]!.en,
            detail: null,
            unit: '',
            quantity: '2',
            unitPrice: '41.50',
            discountPercent: '0',
            taxCode: 'standard',
          })),
        },
        inTheNameOf('Bench'),
      ),
    )
  return ids
}
