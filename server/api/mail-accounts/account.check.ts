import { id, Joi, name, text } from '../../http/checks'

const most = Joi.number().integer().min(1).max(1_000_000).allow(null).default(null)

/** A mail account as it is written; null for no limit. */
export const account = {
  name: name(60).required(),
  host: Joi.string()
    .trim()
    .max(200)
    .pattern(/^[\w.:[\]-]+$/)
    .required()
    .messages({ 'string.pattern.base': 'input/host' }),
  port: Joi.number().integer().min(1).max(65_535).required(),
  security: Joi.valid('starttls', 'tls', 'none').required(),
  userName: text(200).allow('').default(''),
  password: Joi.string().max(400).allow(''),
  perMinute: most,
  perHour: most,
  perDay: most,
  mostMegabytes: Joi.number().integer().min(1).max(150).default(20),
  brandIds: Joi.array().items(id).unique().max(100).default([]),
}
