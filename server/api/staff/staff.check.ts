import { startPages } from '../../../core/house/start-pages'
import { id, Joi, name } from '../../http/checks'

/** A person's name, role, brands (none for all) and where they begin (nothing: by the role). */
export const person = {
  name: name(80).required(),
  role: Joi.valid('reader', 'clerk', 'supervisor').required(),
  startPage: Joi.valid('', ...startPages).default(''),
  brandIds: Joi.array().items(id).unique().max(100).default([]),
}
