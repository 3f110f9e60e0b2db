import type { Day } from '../documents/days'
import { kindFacts, type DocumentKind } from '../documents/kinds'
import type { Language } from '../money/format'

/*
 * Files that go along with documents: which of those that a house keeps ride in one email, each with why.
 */

/** With what a file goes along; what is left open holds for all. */
export interface EnclosureRule {
  /** Kinds of document; where there is none, all but order updates. */
  kinds: DocumentKind[]
  brandId: number | null
  groupId: number | null
  customerId: number | null
  /** The order, or another source without one, that it hangs on. */
  sourceId: number | null
  /** Added for one sending of this prepared document. */
  preparedId: number | null
  /** The number of the item whose sale it goes along with. */
  item: string | null
  language: Language | null
  from: Day | null
  until: Day | null
  /** False: kept here, and it never leaves: retired, or for the house's own eyes. */
  goes: boolean
  /** So often each receiver may have it: then it goes as a link, which counts. Null: any number of times. */
  mostDownloads: number | null
  /** So many days its link is good; the house's own number where there is none. */
  goodDays: number | null
}

/** A kept file as it is listed; its bytes are found by the SHA-256. */
export interface KeptFile {
  id: number
  /** What the receiver sees, with its ending. */
  name: string
  sha256: string
  /** Bytes. */
  size: number
  mediaType: string
}

export interface EnclosureFacts extends KeptFile, EnclosureRule {}

/** One email, or one that is to come. */
export interface EnclosureQuestion {
  documents: readonly {
    kind: DocumentKind
    language: Language
    sourceId: number
    /** Numbers of the items in its lines. */
    items: readonly string[]
  }[]
  brandId: number
  groupId: number | null
  customerId: number
  /** The day on which it leaves. */
  day: Day
  /** What a person chose for this one email. */
  own: OwnEnclosures | null
}

/** What a person changed for one email. */
export interface OwnEnclosures {
  /** Enclosures that do not go this time. */
  leftOut: readonly number[]
  /** Enclosures that were added for this once. */
  added: readonly number[]
}

/** What the narrowest part of a rule is: why the file goes along. */
export type EnclosureSource = 'once' | 'order' | 'customer' | 'item' | 'group' | 'brand' | 'kind' | 'house'

export interface GoingAlong extends KeptFile, Pick<EnclosureRule, 'mostDownloads' | 'goodDays'> {
  source: EnclosureSource
  /** It would go, and somebody left it out of this email. */
  leftOut: boolean
}

/** Where a file comes from, by its narrowest condition. */
export function enclosureSource(rule: EnclosureRule): EnclosureSource {
  if (rule.preparedId !== null) return 'once'
  if (rule.sourceId !== null) return 'order'
  if (rule.customerId !== null) return 'customer'
  if (rule.item !== null) return 'item'
  if (rule.groupId !== null) return 'group'
  if (rule.brandId !== null) return 'brand'
  return rule.kinds.length > 0 ? 'kind' : 'house'
}

const narrowestFirst: readonly EnclosureSource[] = [
  'once',
  'order',
  'customer',
  'item',
  'group',
  'brand',
  'kind',
  'house',
]

/**
 * The files that go along in one email, the narrowest first and then by name, each content once. What a person left
 * out is among them, and says so. Two different files of one name are told apart by a number.
 */
export function goingAlong(kept: readonly EnclosureFacts[], question: EnclosureQuestion): GoingAlong[] {
  const ids = question.own?.leftOut ?? []
  const leftOut = new Set(kept.filter(({ id }) => ids.includes(id)).map(({ sha256 }) => sha256))
  const found = kept
    .filter((one) => isMeant(one, question))
    .map(({ id, name, sha256, size, mediaType, ...rule }) => ({
      id,
      name,
      sha256,
      size,
      mediaType,
      mostDownloads: rule.mostDownloads,
      goodDays: rule.goodDays,
      source: enclosureSource(rule),
      // whoever leaves a content out means it by whatever name; one that was added for this once goes
      leftOut: rule.preparedId === null && leftOut.has(sha256),
    }))
    .sort(
      (a, b) =>
        Number(a.leftOut) - Number(b.leftOut) ||
        narrowestFirst.indexOf(a.source) - narrowestFirst.indexOf(b.source) ||
        a.name.localeCompare(b.name, 'en') ||
        a.id - b.id,
    )
  const sums = new Set<string>()
  return namedApart(found.filter(({ sha256 }) => !sums.has(sha256) && sums.add(sha256)))
}

function isMeant(rule: EnclosureFacts, question: EnclosureQuestion): boolean {
  if (!rule.goes) return false
  if (rule.preparedId !== null) return question.own?.added.includes(rule.id) ?? false
  return (
    is(rule.brandId, question.brandId) &&
    is(rule.groupId, question.groupId) &&
    is(rule.customerId, question.customerId) &&
    (rule.from === null || rule.from <= question.day) &&
    (rule.until === null || question.day <= rule.until) &&
    question.documents.some(
      ({ kind, language, sourceId, items }) =>
        ofKind(rule.kinds, kind) &&
        is(rule.language, language) &&
        is(rule.sourceId, sourceId) &&
        (rule.item === null || items.includes(rule.item)),
    )
  )
}

/** A few words about an order carry nothing of their own accord. */
const ofKind = (kinds: readonly DocumentKind[], kind: DocumentKind) =>
  kinds.length > 0 ? kinds.includes(kind) : !kindFacts[kind].isUpdate

const is = <Value>(wanted: Value | null, found: Value | null) => wanted === null || wanted === found

/** "terms.pdf", "terms (2).pdf": no two files of an email bear one name. */
function namedApart(files: GoingAlong[]): GoingAlong[] {
  const seen = new Map<string, number>()
  return files.map((file) => {
    const count = (seen.get(file.name.toLowerCase()) ?? 0) + 1
    seen.set(file.name.toLowerCase(), count)
    return count === 1 ? file : { ...file, name: file.name.replace(/(\.[^.]*)?$/, ` (${count})$1`) }
  })
}
