import type { BodyOf } from '../../composables/api'
import type { CarrierView } from '../../contract'

type Written = BodyOf<'/api/carriers', 'post'>

/** A carrier as it is written. How one of kind "http" is asked, and its services, are written as JSON. */
export interface CarrierForm {
  name: string
  kind: CarrierView['kind']
  address: string
  inside: boolean
  key: string
  mapping: string
  services: string
}

/** What somebody begins with who maps a carrier: an invented one, whole. */
const exampleMapping = {
  headers: { authorization: 'Bearer {secret}' },
  book: {
    method: 'POST',
    path: '/shipments',
    body: {
      reference: '{key}',
      product: '{service}',
      receiver: { name: '{name}', street: '{line1}', place: '{line2}', country: '{country}' },
      weight: '{weight}',
    },
  },
  answer: {
    tracking: '/number',
    trackingUrl: '/page',
    barcode: '',
    price: '/price/amount',
    currency: '/price/currency',
    label: '/label',
  },
  find: { method: 'GET', path: '/shipments?reference={key}', body: null },
  cancel: { method: 'DELETE', path: '/shipments/{tracking}', body: null },
  track: { method: 'GET', path: '/shipments/{tracking}', body: null, at: '/status' },
  failures: { at: '/error', mean: { BAD_ADDRESS: 'address', TOO_HEAVY: 'weight' } },
  ways: { COLLECTED: 'accepted', DELIVERED: 'delivered' },
}
const exampleServices = [
  {
    code: 'STANDARD',
    name: 'Standard',
    countries: [],
    mostWeight: '30',
    mostLength: 1200,
    mostGirth: 3000,
    prices: [{ upTo: '30', price: '6.90' }],
    currency: 'EUR',
    isReturn: false,
  },
]

const pretty = (value: unknown) => JSON.stringify(value, null, 2)

export const carrierFormOf = (carrier?: CarrierView): CarrierForm => ({
  name: carrier?.name ?? '',
  kind: carrier?.kind ?? 'http',
  address: carrier?.address ?? '',
  inside: carrier?.inside ?? false,
  key: '',
  mapping: pretty(carrier?.mapping ?? exampleMapping),
  services: pretty(carrier?.services.length ? carrier.services : exampleServices),
})

/** What a text of JSON says; undefined where it is none. */
export function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown
  } catch {
    return undefined
  }
}

/** A form as it is saved: a key that is left empty stays as it is. */
export function writtenCarrier({ key, mapping, services, kind, ...rest }: CarrierForm): Written {
  return {
    ...rest,
    kind,
    ...(key ? { key } : {}),
    ...(kind === 'http'
      ? { mapping: parsed(mapping) as Written['mapping'], services: parsed(services) as Written['services'] }
      : {}),
  }
}
