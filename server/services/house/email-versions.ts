import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailText } from '../../../core/emailtexts/email-text'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import { versionRows } from './email-versions-queries'

/*
 * What a brand's email text said before: every version with who saved it and when, and whether somebody tried it.
 * Called from Settings, Email text; it changes nothing. An earlier one comes back by being saved as the next.
 */

export interface EmailVersion extends EmailText {
  version: number
  madeAt: Date
  madeBy: string
  /** Somebody had it emailed to themselves, or rehearsed it, just as it is. */
  tried: boolean
  /** From it on a variant has none of its own. */
  givenUp: boolean
}

/** Newest first. */
export const emailVersions = (
  brandId: number,
  kind: DocumentKind,
  purpose: EmailPurpose,
  language: Language,
  variantId: number | null = null,
): Promise<EmailVersion[]> => versionRows(brandId, kind, purpose, language, variantId)
