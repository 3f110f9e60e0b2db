import { badInput, Refusal } from '../../../core/errors'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { EmailPurpose } from '../../../core/emailtexts/purposes'
import type { Language } from '../../../core/money/format'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Variant } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale, markStale } from '../outbox/stale'
import type { Principal } from '../people/principal'
import { raiseVersion } from './brand-version'
import { giveUpDesign, giveUpEmailText } from './change-queries'
import { variantRows } from './variants-queries'

/*
 * Variants: email texts and designs of their own for some customers, like schools or the trade. Called from Settings
 * by a supervisor. A customer, a group or the house says which they get, kind by kind; where a variant has none of
 * its own, the brand's is taken. Refuses a name that is taken. Who has one that is retired gets the brand's own.
 */

export interface VariantView {
  id: number
  name: string
  retired: boolean
  version: number
  /** Who gets it: single customers, groups by name, and whether the house gives it to all. */
  customers: number
  groups: string[]
  everybody: boolean
  /** What it has of its own. */
  texts: number
  designs: number
}

export const variants = (): Promise<VariantView[]> => variantRows()

/** All of them by name, as choices need them. */
export const variantNames = async (): Promise<Pick<VariantView, 'id' | 'name' | 'retired'>[]> =>
  (await Variant.findAll({ order: ['name', 'id'] })).map(({ id, name, retired }) => ({ id, name, retired }))

/** Those that have one of what is in force for a brand, by name. */
export const variantsHaving = async (
  found: readonly { brandId: number; variantId: number | null }[],
  brandId: number,
): Promise<{ id: number; name: string }[]> =>
  (await variantNames())
    .filter(({ id }) => found.some((own) => own.brandId === brandId && own.variantId === id))
    .map(({ id, name }) => ({ id, name }))

/** @throws Refusal "same-name/variant" */
export async function addVariant(name: string): Promise<number> {
  return inTransaction(async () => {
    await refuseTwin(name, null)
    const { id } = await Variant.create({ name })
    publish('house')
    return id
  })
}

/** Renames a variant, retires it or brings it back. @throws Refusal "same-name/variant", "changed-meanwhile/variant" */
export async function changeVariant(
  id: number,
  { name, retired, version }: { name: string; retired: boolean; version: number },
): Promise<void> {
  await inTransaction(async () => {
    const variant = await Variant.findByPk(id, { lock: true })
    if (!variant) throw new Refusal('no-such-variant', { status: 404 })
    if (variant.version !== version)
      throw new Refusal('changed-meanwhile/variant', { values: { variant: variant.name } })
    await refuseTwin(name, id)
    const turned = variant.retired !== retired
    await variant.update({ name, retired, version: version + 1 })
    if (turned) await markAllStale()
    publish('house')
  })
}

async function refuseTwin(name: string, id: number | null): Promise<void> {
  const twin = await Variant.findOne({ where: { name } })
  if (twin && twin.id !== id) throw badInput('same-name/variant', 'name', { name })
}

/** @throws Refusal "no-such-variant" for one that is not there, or is retired */
export async function variantInUse(id: number | null, field = 'variantId'): Promise<void> {
  if (id === null) return
  const variant = await Variant.findByPk(id)
  if (!variant || variant.retired) throw badInput('no-such-variant', field)
}

/** One that is retired stays where it stands. @throws Refusal "no-such-variant" */
export async function refuseUnknownVariants(
  ids: readonly (number | undefined)[],
  field: string,
): Promise<void> {
  const given = [...new Set(ids.filter((id) => id !== undefined && id !== 0))] as number[]
  if (given.length > 0 && (await Variant.count({ where: { id: given } })) < given.length)
    throw badInput('no-such-variant', field)
}

/** What a variant gives up: its design of a kind, or its email text of a kind, a purpose and a language. */
export interface GivenUp {
  version: number
  variantId: number
  kind: DocumentKind
  text?: { purpose: EmailPurpose; language: Language }
}

/** From now on its customers get the brand's own. What it had stays among the versions. */
export async function giveUpOwn(
  brandId: number,
  { version, variantId, kind, text }: GivenUp,
  who: Principal,
): Promise<void> {
  await inTransaction(async () => {
    await raiseVersion(brandId, version)
    const given = { brandId, kind, variantId, now: clock.now(), actor: who.name }
    await (text ? giveUpEmailText({ ...given, ...text }) : giveUpDesign(given))
    await markStale('brand', brandId)
    publish('house')
  })
}
