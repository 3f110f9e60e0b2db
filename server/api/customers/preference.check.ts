import { fileForms } from '../../../core/documents/editable'
import { documentKinds } from '../../../core/documents/kinds'
import { copiesWays } from '../../../core/enclosures/copies'
import { carriages } from '../../../core/enclosures/carriage'
import { channels } from '../../../core/preferences/recipients'
import { Joi, name, text, variantId } from '../../http/checks'

const addresses = Joi.array().items(text(320)).max(10)

/** A wish for a kind, at the door. */
export const preference = Joi.object({
  channel: Joi.valid(...channels),
  to: name(40),
  addresses,
  cc: addresses,
  bcc: addresses,
  gathered: Joi.boolean(),
  unreachable: Joi.valid('wait', 'print'),
  attach: Joi.valid(...carriages),
  copies: Joi.valid(...copiesWays),
  text: variantId,
  design: variantId,
  form: Joi.valid(...fileForms),
})

/** A change of a preference: null takes a part away. */
export const preferenceChange = Joi.object({
  channel: Joi.valid(...channels, null),
  to: name(40).allow(null),
  addresses: addresses.allow(null),
  cc: addresses.allow(null),
  bcc: addresses.allow(null),
  gathered: Joi.boolean().allow(null),
  unreachable: Joi.valid('wait', 'print', null),
  attach: Joi.valid(...carriages, null),
  copies: Joi.valid(...copiesWays, null),
  text: variantId.allow(null),
  design: variantId.allow(null),
  form: Joi.valid(...fileForms, null),
})

export const preferences = Joi.object(Object.fromEntries(documentKinds.map((kind) => [kind, preference])))

/** The recipients that are kept at an address. */
export const addressMail = Joi.object({ to: addresses, cc: addresses, bcc: addresses })
