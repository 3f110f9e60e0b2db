import Joi from 'joi'
import { isDay } from '../core/documents/days'
import { documentKinds, orderKinds } from '../core/documents/kinds'
import { languages } from '../core/money/format'

/** Checks at the door that several routes share. */
export const id = Joi.number().integer().min(1).max(2_147_483_647)
export const idParam = Joi.object({ id: id.required() })
export const ids = Joi.array().items(id).min(1).max(5000).unique().required()
export const text = (most: number) => Joi.string().trim().max(most)
export const decimal = Joi.string()
  .trim()
  .pattern(/^-?\d{1,10}(\.\d{1,4})?$/)
  .messages({ 'string.pattern.base': '{{#label}} is a number like 12.50' })
/** A real day from 1900 to 2199. */
export const day = Joi.string()
  .pattern(/^(19|20|21)\d{2}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (isDay(value) ? value : helpers.error('string.pattern.base')))
  .messages({ 'string.pattern.base': '{{#label}} is a day like 2026-11-24' })
export const kind = Joi.valid(...documentKinds)
export const orderKind = Joi.valid(...orderKinds)
export const language = Joi.valid(...languages)
export const emailLook = Joi.object({
  heading: Joi.valid('line', 'band', 'none').required(),
  colour: Joi.valid('brand', 'accent').required(),
  letters: Joi.valid('sans', 'serif').required(),
  closing: text(600).allow('').required(),
})
export const page = {
  after: Joi.string().max(300),
  limit: Joi.number().integer().min(1).max(200).default(60),
}
export { Joi }
