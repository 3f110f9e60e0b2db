import type { LabelFailure } from '../../../core/shipping/labels'
import { parcelWays, type ParcelWay } from '../../../core/shipping/tracking'
import { call, type Call, type Reply } from './call'
import { CarrierFailure, type Booked, type Carrier } from './carrier'
import { labelFile } from './label-file'

/* The carrier that ships with Clothespin (standins/carrier), as it wants to be asked. */

interface Label {
  number: string
  price: string
  currency: string
  page: string
  bars: string
  label: string | null
}

interface Product {
  product: string
  title: string
  to: string[]
  maxKilos: number
  maxLength: number
  maxGirth: number
  tariff: { kilos: number; euro: string }[]
  forReturns: boolean
}

const failures: Readonly<Record<string, LabelFailure>> = {
  KEY: 'sign-in',
  PRODUCT: 'no service',
  COUNTRY: 'country',
  ADDRESS: 'address',
  WEIGHT: 'weight',
  PRICE: 'price',
}

/** @param base its address @param key who we are to it */
export function simulatedCarrier(base: string, key: string, inside: boolean): Carrier {
  const ask = async (method: Call['method'], path: string, body?: unknown) => {
    const url = `${base.replace(/\/$/, '')}${path}`
    return call({ method, url, headers: { authorization: `Bearer ${key}` }, body, inside })
  }
  return {
    services: async () =>
      said<Product[]>(await ask('GET', '/products')).map((one) => ({
        code: one.product,
        name: one.title,
        countries: one.to,
        mostWeight: String(one.maxKilos),
        mostLength: one.maxLength,
        mostGirth: one.maxGirth,
        prices: one.tariff.map(({ kilos, euro }) => ({ upTo: String(kilos), price: euro })),
        currency: 'EUR',
        isReturn: one.forReturns,
      })),
    book: async ({ key: reference, service, to, from, country, weight, size, isReturn, tell }) =>
      bookedOf(
        said<Label>(
          await ask('POST', '/labels', {
            reference,
            product: service,
            consignee: to,
            ...(from.length > 0 ? { consignor: from } : {}),
            country,
            kilos: Number(weight),
            ...(size ? { measures: [size.length, size.width, size.height] } : {}),
            isReturn,
            tell,
          }),
        ),
      ),
    find: async (reference) => {
      const [found] = said<Label[]>(await ask('GET', `/labels?reference=${encodeURIComponent(reference)}`))
      return found ? bookedOf(found) : null
    },
    cancel: async (tracking) => {
      const reply = await ask('DELETE', `/labels/${encodeURIComponent(tracking)}`)
      if (reply.status === 409) return false
      said(reply)
      return true
    },
    track: async (tracking) => {
      const numbers = encodeURIComponent(tracking.join(','))
      const found = said<{ number: string; way: ParcelWay }[]>(await ask('GET', `/way?numbers=${numbers}`))
      return found
        .filter(({ way }) => parcelWays.includes(way))
        .map(({ number, way }) => ({ tracking: number, way }))
    },
  }
}

/** What was answered. @throws CarrierFailure where it was a refusal, which is certain, or nothing that is known */
function said<Answer>({ status, json }: Reply): Answer {
  const { error = '', message = '' } = (json ?? {}) as { error?: string; message?: string }
  if (status >= 400 && status < 500)
    throw new CarrierFailure(failures[error] ?? 'not understood', true, message || `it answered ${status}`)
  if (status >= 300 || json === undefined)
    throw new CarrierFailure('not understood', false, message || `it answered ${status}`)
  return json as Answer
}

const bookedOf = async ({ number, price, currency, page, bars, label }: Label): Promise<Booked> => ({
  tracking: number,
  trackingUrl: page,
  barcode: bars,
  price,
  currency,
  label: label === null ? null : await labelFile(label),
})
