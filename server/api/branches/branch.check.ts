import { bank, country, id, Joi, name, text } from '../../http/checks'

/** A branch as it is written. */
export const branch = {
  brandId: id.required(),
  name: name(60).required(),
  addressLines: Joi.array().items(name(80)).min(1).max(6).required(),
  country: country.required(),
  phone: name(40).allow('').default(''),
  email: text(200).allow('').default(''),
  banks: Joi.array().items(bank).max(5).default([]),
  closed: Joi.boolean().default(false),
}
