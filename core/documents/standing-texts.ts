import type { Language } from '../money/format'
import type { Day } from './days'
import type { DocumentKind } from './kinds'

export const textPlaces = ['before the foot', 'foot', 'own page'] as const
/** Where a standing text is printed: below the document, in the foot of every page, or on a page of its own. */
export type TextPlace = (typeof textPlaces)[number]
export const textAudiences = ['all', 'business', 'private'] as const
/** Whose documents it stands on; business customers are those with a VAT number. */
export type TextAudience = (typeof textAudiences)[number]

/** A text of the house that stands on documents. */
export interface StandingTextFacts {
  name: string
  /** Kinds it stands on; all where there is none. */
  kinds: readonly DocumentKind[]
  brandId: number | null
  customers: TextAudience
  place: TextPlace
  texts: Partial<Record<Language, string>>
  /** The first and the last document date that it stands on. */
  from: Day | null
  until: Day | null
}

/** What a document is, as far as standing texts ask. */
export interface TextQuestion {
  kind: DocumentKind
  brandId: number
  language: Language
  /** The company's language, where a text lacks the document's. */
  homeLanguage: Language
  /** Has the customer a VAT number? */
  business: boolean
  /** The document's date. */
  date: Day
}

export interface PlacedTexts {
  paragraphs: string[]
  foot: string[]
  pages: { title: string; text: string }[]
}

/**
 * The texts that stand on a document of a date. In the foot, one that names the kind takes the place of those for
 * every kind, so that taking it away brings the general one back.
 */
export function standingTextsOn(texts: readonly StandingTextFacts[], of: TextQuestion): PlacedTexts {
  const valid = texts.flatMap((one) => {
    const text = (one.texts[of.language] || one.texts[of.homeLanguage] || '').trim()
    const holds =
      text !== '' &&
      (one.kinds.length === 0 || one.kinds.includes(of.kind)) &&
      (one.brandId === null || one.brandId === of.brandId) &&
      (one.customers === 'all' || (one.customers === 'business') === of.business) &&
      (one.from === null || one.from <= of.date) &&
      (one.until === null || of.date <= one.until)
    return holds ? [{ ...one, text }] : []
  })
  const at = (place: TextPlace) => valid.filter((one) => one.place === place)
  const feet = at('foot')
  const ofKind = feet.filter((one) => one.kinds.length > 0)
  return {
    paragraphs: at('before the foot').map(({ text }) => text),
    foot: (ofKind.length > 0 ? ofKind : feet).map(({ text }) => text),
    pages: at('own page').map(({ name, text }) => ({ title: name, text })),
  }
}
