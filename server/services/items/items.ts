import type { FieldValues } from '../../../core/fields/own-fields'
import { isGtin } from '../../../core/items/gtin'
import { misworded, type ItemOption } from '../../../core/items/options'
import type { OtherPrice } from '../../../core/items/price'
import type { Language } from '../../../core/money/format'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { Item, ItemCustomerCode, ItemPrice, TaxCode } from '../../db/models'
import { checkFields } from '../fields/own-fields'
import { company } from '../house/house'
import { publish } from '../live/publish'
import { flattenPicture } from '../../outside/filestore/picture'
import { keepFile } from '../../outside/filestore/store'
import { itemRow, pictureOf, type ItemRow } from './queries'

/*
 * Items: what is sold. Called from the Items page by a clerk. Orders and documents keep what they took from an item;
 * a change holds from the next line on. Refuses a number that is taken, and a change on top of somebody else's.
 */

export interface ItemChange {
  code: string
  names: Partial<Record<Language, string>>
  unit: string
  price: string
  taxCode: string
  gtin?: string
  /** Kilograms. */
  weight?: string | null
  size?: string
  commodityCode?: string
  /** Two letters of its country. */
  origin?: string
  place?: string
  category?: string
  units?: Partial<Record<Language, string>>
  fields?: FieldValues
  /** What a buyer chooses of it; left out, it stays. */
  options?: ItemOption[]
  /** Its picture, PNG or JPEG; null for none, left out it stays. */
  picture?: Uint8Array | null
  /** Its other prices, all of them; left out, they stay. */
  prices?: OtherPrice[]
  /** What customers call it, all of them; left out, they stay. */
  customerCodes?: { customerId: number; code: string }[]
}

/**
 * Adds an item (`id` null) or changes one. @throws Refusal "same-code", "no-name", "unknown-tax-code", "bad-gtin",
 * "same-price", "same-customer", "unknown-field", "wrong-value", "misworded", "bad-picture", "changed-meanwhile"
 */
export async function keepItem(id: number | null, item: ItemChange, version = 0): Promise<number> {
  const { language } = await company()
  if (!item.names[language]) throw badInput('no-name', `names.${language}`)
  if (!(await TaxCode.findByPk(item.taxCode)))
    throw badInput('unknown-tax-code/item', 'taxCode', { taxCode: item.taxCode })
  if (item.gtin && !isGtin(item.gtin)) throw badInput('bad-gtin', 'gtin', { gtin: item.gtin })
  item.options?.forEach((option, index) => {
    for (const one of misworded(option))
      throw badInput('misworded', `options.${index}.${one}`, {
        option: option.name,
        count: option.values.length,
      })
  })
  return inTransaction(async () => {
    const twin = await Item.findOne({ where: { code: item.code } })
    if (twin && twin.id !== id) throw badInput('same-code/item', 'code', { item: item.code })
    const { prices, customerCodes, fields, picture, ...rest } = item
    const facts = {
      ...rest,
      ...(picture === undefined ? {} : { picture: picture && (await keepPicture(picture)) }),
    }
    const own = fields === undefined ? {} : { fields: await checkFields('item', fields) }
    const { id: itemId } =
      id === null
        ? await Item.create({ ...facts, ...own, weight: facts.weight ?? null })
        : await changed(id, { ...facts, ...own }, version)
    if (prices) await keepPrices(itemId, prices)
    if (customerCodes) await keepCodes(itemId, customerCodes)
    publish('item', [itemId])
    return itemId
  })
}

/** Keeps a picture as it is shown, without what shines through. @returns its SHA-256 */
async function keepPicture(given: Uint8Array): Promise<string> {
  const { bytes, mediaType } = flattenPicture(given, '#ffffff')
  return keepFile(bytes, mediaType)
}

/** @throws Refusal "no-such-item", "no-such-file" where it has none */
export async function itemPicture(id: number): Promise<{ mediaType: string; bytes: Buffer }> {
  await itemView(id)
  const found = await pictureOf(id)
  if (!found) throw new Refusal('no-such-file', { status: 404 })
  return found
}

/** @throws Refusal "no-such-item" */
export async function itemView(id: number): Promise<ItemRow> {
  const found = await itemRow(id)
  if (!found) throw new Refusal('no-such-item', { status: 404 })
  return found
}

async function keepPrices(itemId: number, prices: readonly OtherPrice[]): Promise<void> {
  prices.forEach(({ currency, groupName }, index) => {
    if (prices.findIndex((one) => one.currency === currency && one.groupName === groupName) !== index)
      throw badInput('same-price', `prices.${index}.currency`, {
        currency,
        group: groupName ? ` for ${groupName}` : '',
      })
  })
  await ItemPrice.destroy({ where: { itemId } })
  await ItemPrice.bulkCreate(prices.map((one) => ({ itemId, ...one })))
}

async function keepCodes(
  itemId: number,
  codes: readonly { customerId: number; code: string }[],
): Promise<void> {
  codes.forEach(({ customerId }, index) => {
    if (codes.findIndex((one) => one.customerId === customerId) !== index)
      throw badInput('same-customer', `customerCodes.${index}.code`)
  })
  await ItemCustomerCode.destroy({ where: { itemId } })
  await ItemCustomerCode.bulkCreate(codes.map((one) => ({ itemId, ...one })))
}

async function changed(
  id: number,
  item: Omit<ItemChange, 'prices' | 'customerCodes' | 'picture'> & { picture?: string | null },
  version: number,
): Promise<Item> {
  const before = await Item.findByPk(id, { lock: true })
  if (!before) throw new Refusal('no-such-item', { status: 404 })
  if (before.version !== version)
    throw new Refusal('changed-meanwhile/item', { values: { code: before.code } })
  return before.update({ ...item, version: version + 1 })
}
