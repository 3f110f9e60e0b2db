import type { ValidationErrorItem } from 'joi'
import { saidSentences, type SaidKey } from '../../core/said/sentences'
import { joined, raised, told, toldAs, type Told } from '../../core/said/told'

/*
 * What is wrong with what was sent, in words a person reads: never the checking library's own. Our own patterns name
 * their sentence (core/said/input) as their message.
 */

/** "sendTo" becomes "send to". */
const plain = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

const one = (many: string) => plain(many).replace(/ies$/, 'y').replace(/s$/, '')

/** The field by its place: "the email of contact 2". */
function toldPlace(path: readonly (string | number)[]): Told {
  const key = path.at(-1)
  if (key === undefined) return told('input/request')
  const isNth = typeof key === 'number'
  const what = isNth
    ? told('input/nth', { field: one(String(path.at(-2) ?? 'entry')), n: key + 1 })
    : told('input/the', { field: plain(key) })
  const whole = path.slice(0, isNth ? -2 : -1)
  return whole.length === 0 ? what : told('input/of', { what, whole: toldPlace(whole) })
}

/** The sentences of what the library finds, by what it calls that. */
const sentences: Readonly<Record<string, SaidKey>> = {
  'any.required': 'input/missing',
  'string.empty': 'input/missing',
  'string.max': 'input/longer',
  'string.min': 'input/shorter',
  'number.min': 'input/less',
  'number.max': 'input/more',
  'number.base': 'input/not-number',
  'number.integer': 'input/not-whole',
  'number.unsafe': 'input/not-number',
  'number.infinity': 'input/not-number',
  'string.base': 'input/not-text',
  'string.guid': 'input/not-key',
  'boolean.base': 'input/not-yes-no',
  'array.max': 'input/many',
  'array.unique': 'input/twice',
  'any.only': 'input/none-of',
  'date.base': 'input/not-date',
  'date.format': 'input/not-date',
  'object.and': 'input/more-beside',
  'object.with': 'input/more-beside',
  'object.unknown': 'input/not-wanted',
  'any.unknown': 'input/not-wanted',
  'string.pattern.base': 'input/not-as-it-should',
}

const isSaid = (key: string): key is SaidKey => key in saidSentences

function sentenceOf({ type, message }: ValidationErrorItem, limit: number): SaidKey {
  if (isSaid(message)) return message
  if (type === 'array.min') return limit === 1 ? 'input/choose-one' : 'input/few'
  return sentences[type] ?? 'input/not-understood'
}

/** What was found wrong first. */
export function toldInput(found: ValidationErrorItem): Told {
  const { type, path, context = {} } = found
  const {
    limit = 0,
    value,
    valids = [],
    peers = [],
  } = context as {
    limit?: number
    value?: unknown
    valids?: unknown[]
    peers?: string[]
  }
  if (type === 'object.missing' || type === 'object.xor')
    return told(type === 'object.xor' ? 'input/give-only-one' : 'input/give-one', {
      fields: joined(peers.map(plain), 'list/or'),
    })
  const choices = joined(
    valids.filter((one) => one !== null).map((one) => String(one)),
    'list/comma',
  )
  const says = sentenceOf(found, limit)
  // what was sent is said again only where its sentence has it: it may be a password
  const all = Object.entries({ limit, value: String(value), choices })
  const wrong = toldAs(
    says,
    Object.fromEntries(all.filter(([name]) => saidSentences[says].includes(`{${name}}`))),
  )
  return told('input/sentence', { field: raised(toldPlace(path)), wrong })
}
