import type { Language } from '../money/format'

/** What one document is made with this once, in place of what its customer has; variant 0 is the brand's own. */
export interface AsOnce {
  language?: Language
  text?: number
  design?: number
}

/** A design or an email text in force: the brand's own, or of a variant for some customers. */
interface InForce {
  brandId: number
  /** Null: the brand's own. */
  variantId: number | null
}

/**
 * The one that a customer of a brand gets: that of their variant, or else the brand's own. Undefined where the brand
 * has none.
 * @param variantId 0 or nothing for the brand's own
 */
export const ofVariant = <One extends InForce>(
  all: readonly One[],
  brandId: number,
  variantId: number | null | undefined,
): One | undefined => {
  const own = all.filter((one) => one.brandId === brandId)
  return own.find((one) => one.variantId === (variantId || null)) ?? own.find((one) => one.variantId === null)
}

/** The same of email texts, in the first of some languages in which there is one. */
export function textOfVariant<One extends InForce & { language: Language }>(
  all: readonly One[],
  brandId: number,
  variantId: number | null | undefined,
  languages: readonly Language[],
): One | undefined {
  for (const language of languages) {
    const found = ofVariant(
      all.filter((one) => one.language === language),
      brandId,
      variantId,
    )
    if (found) return found
  }
  return undefined
}
