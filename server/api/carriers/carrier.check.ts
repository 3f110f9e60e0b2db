import { labelFailures } from '../../../core/shipping/labels'
import { parcelWays } from '../../../core/shipping/tracking'
import { country, decimal, Joi, name, text } from '../../http/checks'

const millimetres = Joi.number().integer().min(1).max(100_000)

const service = Joi.object({
  code: text(60).required(),
  name: name(60).min(1).required(),
  countries: Joi.array().items(country).max(250).default([]),
  mostWeight: decimal.required(),
  mostLength: millimetres.required(),
  mostGirth: millimetres.required(),
  prices: Joi.array()
    .items(Joi.object({ upTo: decimal.required(), price: decimal.required() }))
    .min(1)
    .max(40)
    .required(),
  currency: Joi.string().length(3).uppercase().required(),
  /** Goods come back by it, from these countries. */
  isReturn: Joi.boolean().default(false),
})

const called = {
  method: Joi.valid('GET', 'POST', 'PUT', 'DELETE').required(),
  path: Joi.string().max(400).required(),
  body: Joi.any().default(null),
}
const call = Joi.object(called)
const pointer = Joi.string().max(200).allow('').default('')

const mapping = Joi.object({
  headers: Joi.object()
    .pattern(/^[\w-]{1,60}$/, Joi.string().max(400))
    .max(20)
    .default({}),
  book: call.required(),
  answer: Joi.object({
    tracking: pointer,
    trackingUrl: pointer,
    barcode: pointer,
    price: pointer,
    currency: pointer,
    label: pointer,
  }).required(),
  find: call.allow(null).default(null),
  cancel: call.allow(null).default(null),
  track: Joi.object({ ...called, at: pointer })
    .allow(null)
    .default(null),
  failures: Joi.object({
    at: pointer,
    mean: Joi.object()
      .pattern(Joi.string().max(60), Joi.valid(...labelFailures))
      .default({}),
  }).required(),
  ways: Joi.object()
    .pattern(Joi.string().max(60), Joi.valid(...parcelWays))
    .default({}),
})

/** A carrier as it is written; a key that is left out stays as it is kept. */
export const carrier = {
  name: name(60).min(1).required(),
  kind: Joi.valid('simulated', 'http').required(),
  address: Joi.string().trim().max(400).required(),
  inside: Joi.boolean().default(false),
  key: Joi.string().max(400).allow(''),
  mapping: mapping.allow(null).default(null),
  services: Joi.array().items(service).max(60),
}
