import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import { textOfVariant } from '../../../core/preferences/variants'
import { company, emailTextsInForce } from './house'

/** Which email text a document that is there already has for a purpose. */
export interface TextQuestion {
  kind: DocumentKind
  brandId: number
  /** The document's. */
  language: Language
  /** The variant that its customer gets; null for the brand's own. */
  variantId: number | null
  /** The text that it was made with. */
  emailTextId: number
}

/** The email text in force for it; that which it was made with where there is none for the purpose. */
export async function emailTextFor(purpose: EmailPurpose, of: TextQuestion): Promise<number> {
  const texts = await emailTextsInForce(of.kind, [purpose])
  const languages = [of.language, (await company()).language]
  return textOfVariant(texts, of.brandId, of.variantId, languages)?.id ?? of.emailTextId
}
