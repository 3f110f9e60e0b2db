import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import { rows } from '../../db/connection'
import type { EmailVersion } from './email-versions'

/* The statements of email-versions.ts. */

/** Versions of a text, at most a hundred of them; tried as it was saved, or as it stood on the screen before. */
export const versionRows = (
  brandId: number,
  kind: DocumentKind,
  purpose: EmailPurpose,
  language: Language,
  variantId: number | null,
) =>
  rows<EmailVersion>(
    `select n.version, n.subject, n.text, n.made_at "madeAt", n.made_by "madeBy", n.given_up "givenUp",
      exists (
        select
        from rehearsal r
        where r.brand_id = n.brand_id and r.given_up is null and (
          (r.email is null and r.email_text_id = n.id)
            or (r.email -> 'subject' = n.subject and r.email -> 'text' = n.text)
        )
      ) tried
    from email_text n
    where n.brand_id = $brandId and n.kind = $kind and n.purpose = $purpose and n.language = $language
      and n.variant_id is not distinct from $variantId::int
    order by n.version desc
    limit 100`,
    { brandId, kind, purpose, language, variantId },
  )
