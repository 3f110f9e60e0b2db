import { carriages } from '../../../core/enclosures/carriage'
import { id, Joi, text } from '../../http/checks'
import { emailTextFields } from '../brands/email-text.check'

const enclosures = Joi.array().items(id).max(50).unique().default([])
const addresses = Joi.array().items(text(320)).max(20).unique().required()

/** What a person writes for one email. */
export const ownEmail = Joi.object({
  ...emailTextFields,
  cc: addresses,
  bcc: addresses,
  leftOut: enclosures,
  added: enclosures,
  senderId: Joi.number().integer().min(0).allow(null).default(null),
  replyTo: text(320).allow('').default(''),
  attach: Joi.valid('', ...carriages).default(''),
})

/** With the revision that was looked at; null for what the house says. */
export const ownEmailChange = Joi.object({
  revision: Joi.number().integer().required(),
  own: ownEmail.allow(null).required(),
})
