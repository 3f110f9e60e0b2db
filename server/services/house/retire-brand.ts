import { Refusal } from '../../../core/errors'
import { clock } from '../../clock'
import { inTransaction } from '../../db/connection'
import { Brand } from '../../db/models'
import { publish } from '../live/publish'
import { usesOfBrand } from './retire-brand-queries'

/*
 * A brand that is not used any more: nothing new begins with it; what was begun is brought to its end in its name.
 * Called from Settings by a supervisor. Refuses the last brand.
 */

/** What still uses a brand. */
export interface BrandUses {
  /** Orders that nothing was invoiced of and that are not withdrawn. */
  openOrders: number
  /** Documents that are due or prepared, with drafts. */
  waiting: number
  /** Routines that are for it alone. */
  routines: string[]
  /** People who work for it alone. */
  people: string[]
}

export const brandUses = async (brandId: number): Promise<BrandUses> => (await usesOfBrand(brandId))!

/** @throws Refusal "last-brand", "changed-meanwhile" */
export async function retireBrand(id: number, version: number, retired: boolean): Promise<void> {
  await inTransaction(async () => {
    const all = await Brand.findAll({ order: ['id'], lock: true })
    const brand = all.find((one) => one.id === id)
    if (!brand) throw new Refusal('no-such-brand', { status: 404 })
    if (brand.version !== version) throw new Refusal('changed-meanwhile/brand')
    if (retired && all.every((one) => one.id === id || one.retiredAt))
      throw new Refusal('last-brand', { values: { brand: brand.name } })
    // prepared documents stay as they are: the version is of what they are made from
    await brand.update({ retiredAt: retired ? clock.now() : null })
    publish('house')
  })
}

/** @throws Refusal "brand-retired", "no-such-brand" */
export async function brandInUse(id: number): Promise<Brand> {
  const about = { field: 'brandId' }
  const brand = await Brand.findByPk(id)
  if (!brand) throw new Refusal('no-such-brand', { status: 404, about })
  if (brand.retiredAt)
    throw new Refusal('brand-retired', { values: { brand: brand.name }, status: 400, about })
  return brand
}
