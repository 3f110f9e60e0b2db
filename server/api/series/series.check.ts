import { Joi } from '../../http/checks'

/** How numbers look and begin. */
export const series = {
  prefix: Joi.string().max(60).allow('').required(),
  suffix: Joi.string().max(60).allow('').required(),
  length: Joi.number().integer().min(1).max(12).required(),
  start: Joi.number().integer().min(1).max(1_000_000_000).required(),
  restart: Joi.valid('never', 'year', 'business year', 'month').required(),
  businessYearStart: Joi.number().integer().min(1).max(12).default(1),
  source: Joi.valid('own', 'order').default('own'),
}
