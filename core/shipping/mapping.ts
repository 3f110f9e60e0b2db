import { badInput } from '../errors'
import { labelFailures, type LabelFailure } from './labels'

/*
 * How a carrier that speaks JSON over HTTP is asked: what is sent, with fields in braces, and where its answer says
 * what, by JSON Pointer (RFC 6901).
 */

export type Json = string | number | boolean | null | Json[] | { [name: string]: Json }

/** What can be sent: fields in braces. */
export const bookingFields = [
  'key',
  'service',
  'name',
  'address',
  'line1',
  'line2',
  'line3',
  'line4',
  'country',
  'weight',
  'length',
  'width',
  'height',
  'parcel',
  'parcels',
  'order',
  'sender',
  'isReturn',
] as const
export type BookingField = (typeof bookingFields)[number]
export type BookingValues = Readonly<Record<BookingField, string | number>>

export interface MappedCall {
  method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  /** Behind the carrier's address; with fields. */
  path: string
  /** With fields; null for none. */
  body: Json
}

/** Where an answer says what; '' where it does not. */
export interface MappedAnswer {
  tracking: string
  trackingUrl: string
  /** What its scanners read; the tracking number where it does not say. */
  barcode: string
  price: string
  /** A pointer, or a currency by its code. */
  currency: string
  /** Its own label, a PDF, PNG or JPEG in base64. */
  label: string
}

export interface CarrierMapping {
  /** Sent with each call; {secret} is the key that is kept for the carrier. */
  headers: Record<string, string>
  book: MappedCall
  answer: MappedAnswer
  /** How a label is found by our key; null where the carrier cannot. The first of a list is taken. */
  find: MappedCall | null
  /** How a label is given back, with {tracking}; null where that is done by hand. */
  cancel: MappedCall | null
  /** How far one parcel is, with {tracking}, and where the answer says it; null where the carrier cannot say. */
  track: (MappedCall & { at: string }) | null
  /** Where a refusal says why, and what its words mean to us. */
  failures: { at: string; mean: Record<string, LabelFailure> }
  /** What the carrier's words for how far a parcel is mean to us. */
  ways: Record<string, string>
}

const field = /\{(\w+)\}/g

/** A text with its fields filled; one that is nothing but a field keeps the field's type. */
export function fillText(text: string, values: Readonly<Record<string, string | number>>): string | number {
  const alone = /^\{(\w+)\}$/.exec(text)?.[1]
  if (alone !== undefined && alone in values) return values[alone]!
  return text.replace(field, (whole, name: string) => (name in values ? String(values[name]) : whole))
}

/** A path with its fields filled, each so that it cannot become another path. */
export const fillPath = (path: string, values: Readonly<Record<string, string | number>>): string =>
  path.replace(field, (whole, name: string) => (name in values ? encodeURIComponent(values[name]!) : whole))

/** What is sent, with its fields filled. */
export function fillBody(body: Json, values: Readonly<Record<string, string | number>>): Json {
  if (typeof body === 'string') return fillText(body, values)
  if (Array.isArray(body)) return body.map((part) => fillBody(part, values))
  if (body === null || typeof body !== 'object') return body
  return Object.fromEntries(Object.entries(body).map(([name, part]) => [name, fillBody(part, values)]))
}

/** What a JSON Pointer leads to; undefined where there is nothing (RFC 6901, section 4). */
export function at(document: unknown, pointer: string): unknown {
  if (pointer === '') return document
  let found: unknown = document
  for (const part of pointer.split('/').slice(1)) {
    const name = part.replaceAll('~1', '/').replaceAll('~0', '~')
    if (found === null || typeof found !== 'object' || !Object.hasOwn(found, name)) return undefined
    found = (found as Record<string, unknown>)[name]
  }
  return found
}

/** A text or number that a pointer leads to, as text; '' where there is none. */
export function textAt(document: unknown, pointer: string): string {
  const found = pointer.startsWith('/') ? at(document, pointer) : undefined
  return typeof found === 'string' ? found.trim() : typeof found === 'number' ? String(found) : ''
}

/** What is read from an answer to a booking; null where it lacks the tracking number or a price that is one. */
export function readAnswer(
  document: unknown,
  { tracking, trackingUrl, barcode, price, currency, label }: MappedAnswer,
): {
  tracking: string
  trackingUrl: string
  barcode: string
  price: string
  currency: string
  label: string
} | null {
  const number = textAt(document, tracking)
  const cost = textAt(document, price)
  const money = currency.startsWith('/') ? textAt(document, currency) : currency
  if (number === '' || (price !== '' && !/^\d{1,9}(\.\d{1,4})?$/.test(cost)) || !/^[A-Z]{3}$/.test(money))
    return null
  const page = textAt(document, trackingUrl)
  return {
    tracking: number,
    trackingUrl: /^https?:\/\//.test(page) ? page : '',
    barcode: textAt(document, barcode) || number,
    price: cost || '0',
    currency: money,
    label: textAt(document, label),
  }
}

/** What a refusal means to us. */
export const failureIn = (document: unknown, { at: where, mean }: CarrierMapping['failures']): LabelFailure =>
  mean[textAt(document, where)] ?? 'not understood'

/** @throws Refusal "bad-mapping" for a field that does not exist, a pointer that is none, or no place for our key */
export function checkMapping(mapping: CarrierMapping): void {
  const { book, find, cancel, track, answer, failures } = mapping
  const textsOf = (call: MappedCall) => `${call.path} ${JSON.stringify(call.body)}`
  const known = new Set<string>([...bookingFields, 'tracking', 'secret'])
  for (const [name, call] of Object.entries({ book, find, cancel, track })) {
    if (!call) continue
    for (const [, used] of textsOf(call).matchAll(field))
      if (!known.has(used!)) throw badInput('bad-mapping/field', `mapping.${name}`, { field: used! })
    if (!call.path.startsWith('/')) throw badInput('bad-mapping/path', `mapping.${name}`, { path: call.path })
  }
  if (!textsOf(book).includes('{key}')) throw badInput('bad-mapping/key', 'mapping.book')
  for (const [name, pointer] of Object.entries({ ...answer, failures: failures.at })) {
    const isCode = name === 'currency' && /^[A-Z]{3}$/.test(pointer)
    if (pointer !== '' && !pointer.startsWith('/') && !isCode)
      throw badInput('bad-mapping/pointer', `mapping.answer.${name}`, { pointer })
  }
  if (answer.tracking === '') throw badInput('bad-mapping/tracking', 'mapping.answer.tracking')
  for (const means of Object.values(failures.mean))
    if (!labelFailures.includes(means))
      throw badInput('bad-mapping/failure', 'mapping.failures', { failure: means })
}
