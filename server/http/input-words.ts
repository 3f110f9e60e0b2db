import type { ValidationErrorItem } from 'joi'

/*
 * What is wrong with what was sent, in words a person reads: never the checking library's own.
 */

/** "sendTo" becomes "send to". */
const plain = (key: string) => key.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()

const one = (many: string) => plain(many).replace(/ies$/, 'y').replace(/s$/, '')

/** The field by its place: "the email of contact 2". */
export function fieldWords(path: readonly (string | number)[]): string {
  if (path.length === 0) return 'the request'
  const parts: string[] = []
  for (let at = path.length - 1; at >= 0; at--) {
    const key = path[at]!
    if (typeof key === 'string') parts.push(`the ${plain(key)}`)
    else parts.push(`${one(String(path[--at] ?? 'entry'))} ${key + 1}`)
  }
  return parts.join(' of ')
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

/** The sentence for what was found wrong first. */
export function inputWords({ type, path, context = {}, message }: ValidationErrorItem): string {
  const field = fieldWords(path)
  const { limit, valids, peers } = context as { limit?: number; valids?: unknown[]; peers?: string[] }
  const say = (words: string) => `${capital(field)} ${words}.`
  const peerWords = (peers ?? []).map(plain).join(' or ')
  switch (type) {
    case 'any.required':
    case 'string.empty':
      return say('is missing')
    case 'string.max':
      return say(`is longer than ${limit} characters`)
    case 'string.min':
      return say(`is shorter than ${limit} characters`)
    case 'number.min':
      return say(`is less than ${limit}`)
    case 'number.max':
      return say(`is more than ${limit}`)
    case 'number.base':
    case 'number.integer':
    case 'number.unsafe':
    case 'number.infinity':
      return say(type === 'number.integer' ? 'is not a whole number' : 'is not a number')
    case 'string.base':
      return say('is not text')
    case 'string.guid':
      return say('is not a key made by the page. Load it again')
    case 'boolean.base':
      return say('is neither yes nor no')
    case 'array.min':
      return say(limit === 1 ? 'is empty. Choose at least one' : `has fewer than ${limit} entries`)
    case 'array.max':
      return say(`has more than ${limit} entries`)
    case 'array.unique':
      return say('stands there twice')
    case 'any.only':
      return say(`is none of ${(valids ?? []).filter((value) => value !== null).join(', ')}`)
    case 'date.base':
    case 'date.format':
      return say('is not a date')
    case 'object.missing':
    case 'object.xor':
      return `Give ${type === 'object.xor' ? 'only one of' : 'one of'} ${peerWords}.`
    case 'object.and':
    case 'object.with':
      return say('needs more beside it')
    case 'object.unknown':
    case 'any.unknown':
      return say('is not wanted here')
    case 'string.country':
    case 'string.pattern.base':
      // our own patterns bring their own words; without them the engine's would show
      return message.includes('fails to match')
        ? say('is not written as it should be')
        : `${capital(message.replace(/^"[^"]*"/, field))}.`
    default:
      return say('is not understood')
  }
}
