import { badInput, Refusal } from '../../../core/errors'
import type { DocumentKind } from '../../../core/documents/kinds'
import { fillEmailText, type EmailText } from '../../../core/emailtexts/email-text'
import { plainEmailLook, type EmailLook } from '../../../core/emailtexts/email-look'
import { exampleFacts } from '../../../core/emailtexts/fields'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import { checkOwnFields } from '../../../core/emailtexts/settle'
import type { Language } from '../../../core/money/format'
import { isAddress } from '../../../core/preferences/recipients'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand } from '../../db/models'
import { ownFields } from '../fields/own-fields'
import { publish } from '../live/publish'
import { markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { checkPictures } from '../pictures/pictures'
import { raiseVersion } from './brand-version'
import { insertChangedEmailText, updateEmailLook } from './change-queries'
import { variantInUse } from './variants'

/*
 * Changing a brand's email texts, in versions, and where they go while they are tried. Called from Settings by a
 * supervisor. Prepared documents are built anew and marked. Refuses what could not be filled.
 */

/** @throws Refusal "unknown-merge-field" also for own fields that the house does not have, "empty-text" and the like */
async function checkEmailText(note: EmailText, language: Language): Promise<void> {
  const own = (await ownFields()).map(({ of, name }) => `${of}.${name}`)
  for (const where of ['subject', 'text'] as const) checkOwnFields(note[where], own, where)
  const values = { ...exampleFacts.values, ...Object.fromEntries(own.map((name) => [name, '…'])) }
  const frame = { brandName: '', colours: { brand: '', accent: '' }, look: plainEmailLook, footLines: [] }
  fillEmailText(note, { ...exampleFacts, values }, { ...frame, language })
}

/** What an email says with a kind of document in one language, and how the brand's emails look around it. */
export interface EmailChange extends EmailText {
  version: number
  kind: DocumentKind
  purpose: EmailPurpose
  language: Language
  look: EmailLook
  /** Whose text it is: of the customers of a variant, or null for the brand's own. */
  variantId?: number | null
}

/**
 * While the texts of a kind are tried, its emails go to one address as rehearsals; '' for real again. What is prepared
 * stays as it is. @throws Refusal "bad-address", "no-such-brand"
 */
export async function rehearseTexts(brandId: number, kind: DocumentKind, address: string): Promise<void> {
  if (address && !isAddress(address)) throw badInput('bad-address', 'address', { address })
  await inTransaction(async () => {
    const brand = await Brand.findByPk(brandId, { lock: true })
    if (!brand) throw new Refusal('no-such-brand', { status: 404 })
    const { [kind]: _before, ...others } = brand.textRehearsals
    await brand.update({ textRehearsals: address ? { ...others, [kind]: address } : others })
    publish('house')
    publish('line')
  })
}

/** Keeps an email text as a new version where it changed, and the look of all the brand's emails. */
export async function changeEmail(brandId: number, change: EmailChange, who: Principal): Promise<void> {
  const { kind, purpose, language, subject, text, look, variantId = null } = change
  await variantInUse(variantId)
  await checkEmailText({ subject, text }, language)
  await checkPictures(text, look)
  await inTransaction(async () => {
    await raiseVersion(brandId, change.version)
    await updateEmailLook(brandId, look)
    await insertChangedEmailText({
      brandId,
      kind,
      purpose,
      language,
      variantId,
      subject,
      text,
      now: clock.now(),
      actor: who.name,
    })
    // the brand's version was raised: what is prepared is built from it anew
    await markStale('brand', brandId)
    publish('house')
  })
}
