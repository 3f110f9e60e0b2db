import { languages } from '../../../core/money/format'
import { country, currency, id, Joi, name, text } from '../../http/checks'
import type { ItemChange } from '../../services/items/items'

const price = Joi.string()
  .trim()
  .pattern(/^\d{1,9}(\.\d{1,4})?$/)
  .messages({ 'string.pattern.base': 'input/amount' })

/** A line's detail says "Colour: green · Size: L", so a name holds neither sign. */
const optionName = name(40)
  .pattern(/^[^:·]+$/)
  .messages({ 'string.pattern.base': 'input/choice-name' })

/** So much a picture of two million bytes takes in base64, with what is written beside it. */
export const itemBodyLimit = 3_000_000

/** An item as it comes in: its picture in base64. */
export type WrittenItem = Omit<ItemChange, 'picture'> & { picture?: string | null }

/** The same with its picture's bytes; left out, the picture stays. */
export const itemOf = ({ picture, ...item }: WrittenItem): ItemChange => ({
  ...item,
  ...(picture === undefined ? {} : { picture: picture === null ? null : Buffer.from(picture, 'base64') }),
})

const optionWords = Joi.object({
  name: optionName.required(),
  values: Joi.array().items(name(60).required()).min(1).max(60).unique().required(),
})

const byLanguage = (most: number) =>
  Joi.object(Object.fromEntries(languages.map((one) => [one, name(most).allow('')])))

/** An item as it is written. */
export const item = {
  code: name(40).required(),
  names: byLanguage(200).required(),
  unit: name(12).allow('').default(''),
  price: price.required(),
  taxCode: text(30).required(),
  gtin: Joi.string().trim().max(14).allow(''),
  weight: Joi.string()
    .trim()
    .pattern(/^\d{1,6}(\.\d{1,4})?$/)
    .allow(null)
    .messages({ 'string.pattern.base': 'input/kilograms' }),
  size: name(60).allow(''),
  commodityCode: name(20).allow(''),
  origin: country.allow(''),
  place: name(60).allow(''),
  category: name(60).allow(''),
  units: byLanguage(12),
  fields: Joi.object().pattern(text(60), text(200).allow('')),
  options: Joi.array()
    .items(
      Joi.object({
        name: optionName.required(),
        values: Joi.array().items(name(60).required()).min(1).max(60).unique().required(),
        wordings: Joi.object(Object.fromEntries(languages.map((one) => [one, optionWords]))),
      }),
    )
    .max(6)
    .unique('name'),
  picture: Joi.string().base64().max(2_700_000).allow(null),
  prices: Joi.array()
    .items(
      Joi.object({
        currency: currency.required(),
        groupName: name(60).allow('').default(''),
        price: price.required(),
      }),
    )
    .max(200),
  customerCodes: Joi.array()
    .items(Joi.object({ customerId: id.required(), code: name(40).required() }))
    .max(500),
}
