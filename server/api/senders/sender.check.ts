import { answersTo } from '../../../core/dispatch/sender'
import { id, Joi, kind, name, text } from '../../http/checks'

/** A sender as it is written. */
export const sender = {
  brandId: id.required(),
  kind: kind.allow(null).default(null),
  routineId: id.allow(null).default(null),
  name: name(120).allow('').default(''),
  namesPerson: Joi.boolean().default(false),
  address: text(320).allow('').default(''),
  answersTo: Joi.valid(...answersTo).required(),
  replyTo: text(320).allow('').default(''),
  mailAccountId: id.allow(null).default(null),
}
