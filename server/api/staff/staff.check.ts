import { id, Joi, name } from '../../http/checks'

/** A person's name, role and brands (none for all). */
export const person = {
  name: name(80).required(),
  role: Joi.valid('reader', 'clerk', 'supervisor').required(),
  brandIds: Joi.array().items(id).unique().max(100).default([]),
}
