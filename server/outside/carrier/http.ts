import {
  at,
  failureIn,
  fillBody,
  fillPath,
  readAnswer,
  textAt,
  type CarrierMapping,
  type MappedCall,
} from '../../../core/shipping/mapping'
import { parcelWays, type ParcelWay } from '../../../core/shipping/tracking'
import { call, type Reply } from './call'
import { CarrierFailure, type Booked, type Booking, type Carrier } from './carrier'
import { labelFile } from './label-file'

/* A carrier that speaks JSON over HTTP, asked as its mapping in Settings says. */

/** @param services as they were written down in Settings */
export function mappedCarrier(
  { address, key, inside }: { address: string; key: string; inside: boolean },
  mapping: CarrierMapping,
  services: () => ReturnType<Carrier['services']>,
): Carrier {
  const ask = (mapped: MappedCall, values: Readonly<Record<string, string | number>>): Promise<Reply> =>
    call({
      method: mapped.method,
      url: address.replace(/\/$/, '') + fillPath(mapped.path, values),
      headers: Object.fromEntries(
        Object.entries(mapping.headers).map(([name, value]) => [name, value.replaceAll('{secret}', key)]),
      ),
      ...(mapped.body === null ? {} : { body: fillBody(mapped.body, values) }),
      inside,
    })

  const said = ({ status, json }: Reply): unknown => {
    if (status === 401 || status === 403) throw new CarrierFailure('sign-in', true, `it answered ${status}`)
    if (status >= 400 && status < 500)
      throw new CarrierFailure(failureIn(json, mapping.failures), true, refusalIn(json, status))
    if (status >= 300 || status < 200)
      throw new CarrierFailure('not understood', false, `it answered ${status}`)
    return json
  }
  /** The words of a refusal, as far as the mapping knows where they are. */
  const refusalIn = (json: unknown, status: number) =>
    textAt(json, mapping.failures.at) || `it answered ${status}`

  const bookedIn = async (json: unknown): Promise<Booked> => {
    const found = readAnswer(json, mapping.answer)
    if (!found)
      throw new CarrierFailure('not understood', false, 'its answer lacks what Settings say is in it')
    return { ...found, label: found.label === '' ? null : await labelFile(found.label) }
  }

  return {
    services,
    book: async (booking) => bookedIn(said(await ask(mapping.book, valuesOf(booking)))),
    find: async (own) => {
      if (!mapping.find) throw new CarrierFailure('not understood', false, 'it cannot be asked by our key')
      const reply = await ask(mapping.find, { key: own })
      if (reply.status === 404) return null
      const json = said(reply)
      const first = Array.isArray(json) ? at(json, '/0') : json
      return first === undefined || first === null ? null : bookedIn(first)
    },
    cancel: async (tracking) => {
      if (!mapping.cancel) return false
      const reply = await ask(mapping.cancel, { tracking })
      if (reply.status === 409) return false
      said(reply)
      return true
    },
    track: async (tracking) => {
      const found: { tracking: string; way: ParcelWay }[] = []
      if (!mapping.track) return found
      for (const one of tracking) {
        const words = textAt(said(await ask(mapping.track, { tracking: one })), mapping.track.at)
        const way = parcelWays.find((own) => own === (mapping.ways[words] ?? words))
        if (way) found.push({ tracking: one, way })
      }
      return found
    },
  }
}

function valuesOf(booking: Booking) {
  const { key, service, to, from, country, weight, size, parcel, of, order, isReturn } = booking
  const [name = '', ...lines] = to
  return {
    key,
    service,
    name,
    address: lines.join(', '),
    line1: lines[0] ?? '',
    line2: lines[1] ?? '',
    line3: lines[2] ?? '',
    line4: lines.slice(3).join(', '),
    country,
    weight: Number(weight),
    length: size?.length ?? '',
    width: size?.width ?? '',
    height: size?.height ?? '',
    parcel,
    parcels: of,
    order,
    sender: from.join(', '),
    isReturn: String(isReturn),
  }
}
