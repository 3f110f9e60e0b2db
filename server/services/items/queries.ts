import type { FieldValues } from '../../../core/fields/own-fields'
import type { ItemOption } from '../../../core/items/options'
import type { OtherPrice } from '../../../core/items/price'
import type { Language } from '../../../core/money/format'
import { one, rows } from '../../db/connection'
import { keyset, likeText, paged, type Listed } from '../keyset'

/* The statements of items. */

export interface ItemRow {
  id: number
  code: string
  names: Partial<Record<Language, string>>
  unit: string
  price: string
  taxCode: string
  version: number
  gtin: string
  weight: string | null
  size: string
  commodityCode: string
  origin: string
  place: string
  category: string
  units: Partial<Record<Language, string>>
  fields: FieldValues
  options: ItemOption[]
  /** Where its picture is shown; null where it has none. */
  pictureAt: string | null
  prices: OtherPrice[]
  customerCodes: { customerId: number; code: string; customerName: string }[]
}

/** A price as a person writes it: two decimals at least, more where they say something. */
export const writtenPrice = (column: string) =>
  `(case when scale(trim_scale(${column})) < 2 then round(${column}, 2) else trim_scale(${column}) end)::text`

/** SQL: the address of an item's picture; another picture has another address. */
export const pictureAt = (item: string) =>
  `case when ${item}.picture is not null
    then '/api/items/' || ${item}.id || '/picture?v=' || left(${item}.picture, 12) end`

const pricesOf = `coalesce(
        (
          select jsonb_agg(
            jsonb_build_object(
              'currency', p.currency, 'groupName', p.group_name, 'price', ${writtenPrice('p.price')}
            )
            order by p.currency, p.group_name
          )
          from item_price p
          where p.item_id = i.id
        ),
        '[]'
      )`

const columns = `
      i.id, i.code, i.names, i.unit, ${writtenPrice('i.price')} price, i.tax_code "taxCode", i.version,
      i.gtin, trim_scale(i.weight)::text weight, i.size, i.commodity_code "commodityCode", i.origin, i.place,
      i.category, i.units, i.fields, i.options, ${pictureAt('i')} "pictureAt", ${pricesOf} prices,
      coalesce(
        (
          select jsonb_agg(
            jsonb_build_object('customerId', k.customer_id, 'code', k.code, 'customerName', c.name)
            order by c.name
          )
          from item_customer_code k
          join customer c on c.id = k.customer_id
          where k.item_id = i.id
        ),
        '[]'
      ) "customerCodes"`

/** One page of items by number, with the count of all that match. */
export async function listItems(filter: {
  search?: string
  after?: string
  limit: number
}): Promise<Listed<ItemRow> & { matching: number }> {
  const parameters: unknown[] = []
  let where = 'true'
  if (filter.search?.trim()) {
    parameters.push(likeText(filter.search))
    where = `(
      lower(i.code) like $1
        or i.gtin like $1
        or lower(i.category) like $1
        or exists (select from jsonb_each_text(i.names) n where lower(n.value) like $1)
    )`
  }
  const { count } = (await one<{ count: number }>(
    `select count(*)::int count from item i where ${where}`,
    parameters,
  ))!
  const page = keyset({ key: 'i.code', type: 'text', descending: false }, 'i.id', filter.after, parameters)
  const found = await rows<ItemRow & { sortKey: string }>(
    `select ${columns}, i.code "sortKey"
    from item i
    where ${where} and ${page.where}
    order by ${page.order}
    limit ${filter.limit + 1}`,
    parameters,
  )
  return { ...paged(found, filter.limit), matching: count }
}

export interface FoundRow {
  code: string
  name: string
  price: string
  unit: string
  taxCode: string
  prices: OtherPrice[]
  options: ItemOption[]
  /** What the customer calls it; null where it does not. */
  customerCode: string | null
}

/** Items whose number, GTIN, name or number at a customer holds a text, for a line's picker. */
export const itemsLike = (pattern: string, language: string, customerId: number | null) =>
  rows<FoundRow>(
    `select i.code,
      coalesce(names ->> $language, names ->> 'en', names ->> (select c.language from company c)) "name",
      ${writtenPrice('i.price')} price, coalesce(i.units ->> $language, i.unit) unit, i.tax_code "taxCode",
      ${pricesOf} prices, i.options, k.code "customerCode"
    from item i
    left join item_customer_code k on k.item_id = i.id and k.customer_id = $customerId
    where lower(i.code) like $pattern
      or i.gtin like $pattern
      or lower(k.code) like $pattern
      or lower(coalesce(names ->> $language, names ->> 'en')) like $pattern
    order by i.code
    limit 12`,
    { pattern, language, customerId },
  )

/** What can be chosen of items, by number; those without a choice are left out. */
export const optionsOf = (codes: readonly string[]) =>
  rows<{ code: string; options: ItemOption[] }>(
    `select code, options from item where code = any($codes::text[]) and options <> '[]' order by code`,
    { codes },
  )

/** What prices ask of a customer. */
export const customerToPrice = (customerId: number) =>
  one<{ groupName: string; currency: string }>(
    'select group_name "groupName", currency from customer where id = $customerId',
    { customerId },
  )

export const pictureOf = (id: number) =>
  one<{ mediaType: string; bytes: Buffer }>(
    `select f.media_type "mediaType", f.bytes from item i join file f on f.sha256 = i.picture where i.id = $id`,
    { id },
  )

export const itemRow = (id: number) => one<ItemRow>(`select ${columns} from item i where i.id = $id`, { id })
