import { documentKinds } from '../../../core/documents/kinds'
import { channels } from '../../../core/preferences/recipients'
import { Joi, text } from '../../http/checks'

/** A customer's wish for a kind, at the door. */
export const preference = Joi.object({
  channel: Joi.valid(...channels),
  to: Joi.valid('buying', 'billing', 'goods-in'),
  cc: Joi.array().items(text(320)).max(10),
  bcc: Joi.array().items(text(320)).max(10),
  gathered: Joi.boolean(),
})

/** A change of a preference: null takes a part away. */
export const preferenceChange = Joi.object({
  channel: Joi.valid(...channels, null),
  to: Joi.valid('buying', 'billing', 'goods-in', null),
  cc: Joi.array().items(text(320)).max(10).allow(null),
  bcc: Joi.array().items(text(320)).max(10).allow(null),
  gathered: Joi.boolean().allow(null),
})

export const preferences = Joi.object(Object.fromEntries(documentKinds.map((kind) => [kind, preference])))
