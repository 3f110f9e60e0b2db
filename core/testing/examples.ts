import type { BrandFacts, CustomerFacts, OrderFacts, OrderLineFacts } from '../documents/facts'
import { buildPaper, type PaperInput } from '../documents/from-order'
import type { DocumentKind } from '../documents/kinds'
import type { Paper } from '../documents/paper'
import type { LabelFacts } from '../documents/label'
import type { ShipmentFacts } from '../documents/shipment'
import { sscc } from '../shipping/sscc'
import type { Language } from '../money/format'
import { FontMetrics } from '../designs/metrics'
import { shippedFaces } from '../designs/shipped-faces'
import { suppliedDesign, type Look } from '../designs/supplied'

/** Invented examples that tests and the bench share. */
export const metrics = new FontMetrics(shippedFaces)

export const plainLook: Look = {
  name: 'Tansy trade paper',
  supplied: 'plain',
  fonts: { heading: 'Source Sans 3', text: 'Source Sans 3' },
  colours: { brand: '#8a5a00', accent: '#d9a514', ground: '#faf6ef' },
  logo: null,
  hiddenSums: [],
  slip: false,
  account: false,
  peelOff: null,
  item: 'own',
}
export const plain = suppliedDesign(plainLook)

export const boldLook: Look = {
  name: 'Skep shop paper',
  supplied: 'bold',
  fonts: { heading: 'Bitter', text: 'Source Sans 3' },
  colours: { brand: '#173f38', accent: '#f2b632', ground: '#faf7f0' },
  logo: null,
  hiddenSums: [],
  slip: false,
  account: false,
  peelOff: null,
  item: 'own',
}
export const bold = suppliedDesign(boldLook)

export const tansyHollow: BrandFacts = {
  id: 1,
  code: 'TH',
  name: 'Tansy Hollow Apiary Supply',
  legalName: 'Tansy Hollow Supply Ltd',
  addressLines: ['Unit 3, Quarry Lane', 'Ballynore', 'Co. Glenhaven'],
  country: 'IE',
  homeLanguage: 'en',
  phone: '+353 00 000 0000',
  email: 'accounts@tansyhollow.example',
  website: 'tansyhollow.example',
  registration: 'Registered in Ballynore, no. 000000',
  taxNumber: 'IE 0000000T',
  banks: [{ name: 'Demo Bank', iban: 'IE64 IRCE 9205 0112 3456 78', bic: 'DEMOIE00', currency: '' }],
}

export const ottermill: CustomerFacts = {
  number: '10417',
  name: 'Ottermill Honey Co-op',
  taxNumber: 'IE 0000000K',
  language: 'en',
  terms: { kind: 'days', days: 30 },
  billing: {
    name: 'Ottermill Honey Co-op',
    attention: 'Accounts',
    lines: ['The Old Ottermill', 'Weir Road', 'Marlbridge'],
    country: 'IE',
  },
}

export function orderLine(change: Partial<OrderLineFacts> = {}): OrderLineFacts {
  return {
    item: 'HB-10N',
    description: 'Brood box, cedar, 10 frame',
    detail: null,
    unit: '',
    quantity: '12',
    unitPrice: '41.50',
    discountPercent: '0',
    taxCode: 'standard',
    ...change,
  }
}

export const order: OrderFacts = {
  number: 'SO-20931',
  date: '2026-11-20',
  suppliedOn: '2026-11-23',
  currency: 'EUR',
  pricesIncludeTax: false,
  reference: 'OM/118',
  customerNote: null,
  prepaid: '0',
  adjustments: [],
  lines: [
    orderLine({ detail: 'with runners fitted' }),
    orderLine({
      item: 'FR-DN4',
      description: 'Frames DN4, flat, pack of 50',
      quantity: '6',
      unitPrice: '38.00',
    }),
    orderLine({
      item: 'WX-200',
      description: 'Foundation wax, wired, 1 kg',
      quantity: '9',
      unitPrice: '19.20',
    }),
    orderLine({
      item: 'JR-454',
      description: 'Jars 454 g hex with gold lids, case of 72',
      quantity: '4',
      unitPrice: '36.37',
    }),
  ],
}

export function exampleInvoice(change: Partial<PaperInput> = {}): Paper {
  return buildPaper({
    kind: 'invoice',
    brand: tansyHollow,
    order,
    customer: ottermill,
    language: 'en',
    rates: { standard: '23', reduced: '13.5', zero: '0' },
    date: '2026-11-24',
    number: 'INV-2026-00042',
    issued: true,
    ...change,
  })
}

/** An order of as many lines as asked. */
export function longOrder(count: number): OrderFacts {
  return {
    ...order,
    lines: Array.from({ length: count }, (_, index) =>
      orderLine({ ...order.lines[index % order.lines.length], item: `IT-${index + 1}` }),
    ),
  }
}

/** A part of the example's order: what goes of its first two lines, in two parcels, to its store. */
export const exampleShipment: ShipmentFacts = {
  day: '2026-11-23',
  delivery: {
    name: 'Ottermill Honey Co-op, Weir Store',
    lines: ['Gate 2', 'Weir Road', 'Marlbridge'],
    country: 'IE',
  },
  service: 'Glenhaven Parcels, next day',
  remarks: '',
  lines: [
    { position: 1, quantity: '2', ordered: '2', earlier: '0', later: '0', place: 'A05-1' },
    { position: 2, quantity: '4', ordered: '6', earlier: '1', later: '1', place: 'C09-1' },
  ],
  parcels: [
    { box: 'Large box', weight: '12.75', contents: [{ position: 1, quantity: '2' }] },
    { box: 'Medium box', weight: '5.5', contents: [{ position: 2, quantity: '4' }] },
  ],
}

/** Its two labels as they were bought. */
export const exampleLabels: LabelFacts[] = exampleShipment.parcels.map(({ weight }, place) => ({
  id: place + 1,
  parcel: place + 1,
  of: 2,
  weight,
  carrier: 'Glenhaven Parcels',
  service: 'Next day',
  tracking: `GP48210073${place + 1}IE`,
  trackingUrl: `https://glenhaven.example/way/GP48210073${place + 1}IE`,
  barcode: `GP48210073${place + 1}IE`,
  sscc: sscc('5391234', place + 1),
  price: '6.40',
  currency: 'EUR',
  file: null,
}))

/** What a document of a shipment is made from. */
export const shipmentInput = (
  kind: DocumentKind,
  shipment: ShipmentFacts = exampleShipment,
  language: Language = 'en',
): PaperInput => ({
  kind,
  brand: tansyHollow,
  order: { ...order, lines: order.lines.map((line, place) => ({ ...line, position: place + 1 })) },
  customer: ottermill,
  language,
  rates: {},
  date: '2026-11-23',
  number: 'PS-2026-00007',
  issued: true,
  shipment,
})
