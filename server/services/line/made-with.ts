import { Refusal } from '../../../core/errors'
import { kindFacts } from '../../../core/documents/kinds'
import type { AsOnce } from '../../../core/preferences/variants'
import { joined, told, type Told } from '../../../core/said/told'
import { inTransaction } from '../../db/connection'
import { refreshPrepared } from '../documents/refresh'
import { keepOwnEnclosures } from '../enclosures/once'
import { noteAll } from '../history/history'
import { designsInForce, emailTextsInForce } from '../house/house'
import { variantInUse, variantNames, variantsHaving } from '../house/variants'
import { publish } from '../live/publish'
import { markThese } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { keepAsOnce, preparedToMake } from './made-with-queries'

/*
 * What one document is made with this once: another language, the email text or the design of a variant. Called from
 * To check. What somebody wrote for its email is lost with another text. Refuses a document that somebody changed
 * meanwhile, and another language for what an account is told.
 */

/** What a document can be made with. */
export interface MadeWith {
  /** What was chosen for this once; null where it is made as its customer has it. */
  asOnce: AsOnce | null
  /** Variants that have an email text, or a design, for its brand and kind. */
  texts: { id: number; name: string }[]
  designs: { id: number; name: string }[]
  /** Whether its language can be another one. */
  mayChooseLanguage: boolean
}

const speaksOneLanguage = (kind: keyof typeof kindFacts) => kindFacts[kind].content === 'account'

/** @throws Refusal "no-such-paper" */
export async function madeWith(id: number): Promise<MadeWith> {
  const row = await preparedToMake(id)
  if (!row) throw new Refusal('no-such-paper', { status: 404 })
  return {
    asOnce: row.asOnce,
    texts: await variantsHaving(await emailTextsInForce(row.kind), row.brandId),
    designs: await variantsHaving(await designsInForce(row.kind), row.brandId),
    mayChooseLanguage: !speaksOneLanguage(row.kind),
  }
}

/**
 * Makes a document with something else this once, or as its customer has it again (null); it is built anew at once.
 * @param revision as it was looked at
 * @throws Refusal "no-such-paper", "changed-again", "no-such-variant", "one-language"
 */
export async function makeWith(
  id: number,
  revision: number,
  asOnce: AsOnce | null,
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    const before = await preparedToMake(id)
    if (!before) throw new Refusal('no-such-paper', { status: 404 })
    if (asOnce?.language && speaksOneLanguage(before.kind)) throw new Refusal('one-language')
    for (const variant of [asOnce?.text, asOnce?.design]) await variantInUse(variant || null)
    const otherText = before.asOnce?.language !== asOnce?.language || before.asOnce?.text !== asOnce?.text
    const kept = await keepAsOnce({ id, revision, asOnce, otherText })
    if (!kept) throw new Refusal('changed-again')
    if (otherText) await keepOwnEnclosures(id, null, who)
    const names = new Map((await variantNames()).map((one) => [one.id, one.name]))
    await noteAll([{ ...kept, preparedId: id, actor: who.name, ...toldOnce(asOnce, names) }])
    await markThese([id])
    publish('line', [id])
  })
  await refreshPrepared([id])
}

function toldOnce(asOnce: AsOnce | null, names: ReadonlyMap<number, string>): Told {
  if (!asOnce) return told('made/usual')
  const whose = (variant: number) => (variant === 0 ? told('made/brand') : `“${names.get(variant)}”`)
  const { language, text, design } = asOnce
  const chosen = [
    ...(language ? [told('made/language', { language: told(`language/${language}`) })] : []),
    ...(text === undefined ? [] : [told('made/text', { of: whose(text) })]),
    ...(design === undefined ? [] : [told('made/design', { of: whose(design) })]),
  ]
  return told('made/once', { how: joined(chosen, 'list/comma') })
}
