import type { Day } from './days'
import type { PaperSource } from './issue'
import { kindFacts } from './kinds'
import type { LabelFacts } from './label'

/*
 * What a sample is made from where its brand has none of the kind: its newest order as it might be shipped, or come
 * back. A sample of a design tells how it looks.
 */

/** A source of goods that are shipped or come back, from the source of an order's document; others as they are. */
export function withExampleGoods(source: PaperSource, day: Day): PaperSource {
  const { kind, order, customer } = source
  if (kindFacts[kind].content !== 'shipment' || !customer.billing) return source
  const lines = order.lines.map((line, place) => ({ ...line, position: place + 1 }))
  const goods = lines.filter(({ quantity }) => Number(quantity) > 0)
  const { attention: _, ...billed } = customer.billing
  const address = order.delivery ?? billed
  const own = { ...source, order: { ...order, lines } }
  if (kind === 'return note')
    return {
      ...own,
      goodsReturn: {
        label: `${order.number}/R1`,
        day,
        until: day,
        sender: address,
        delivery: {
          name: source.brand.name,
          lines: source.brand.addressLines,
          country: source.brand.country,
        },
        remarks: '',
        lines: goods.slice(0, 2).map(({ position }) => ({ position, quantity: '1', reason: '' })),
        labels: [exampleLabel(order.currency)],
      },
    }
  return {
    ...own,
    shipment: {
      ...source.shipment,
      day,
      delivery: address,
      service: 'Next day',
      remarks: '',
      lines: goods.map(({ position, quantity }) => ({
        position,
        quantity,
        ordered: quantity,
        earlier: '0',
        later: '0',
        place: '',
        commodityCode: '4421 99 99',
        origin: source.brand.country,
        each: '1',
      })),
      parcels: [
        { box: '', weight: '4.2', contents: goods.map(({ position, quantity }) => ({ position, quantity })) },
      ],
      ...(kind === 'shipping label' ? { labels: [exampleLabel(order.currency)] } : {}),
    },
  }
}

const exampleLabel = (currency: string): LabelFacts => ({
  id: 0,
  parcel: 1,
  of: 1,
  weight: '4.2',
  carrier: 'Carrier',
  service: 'Next day',
  tracking: 'XX000000000XX',
  trackingUrl: '',
  barcode: 'XX000000000XX',
  sscc: '',
  price: '0',
  currency,
  file: null,
})
