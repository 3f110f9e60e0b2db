import { shipmentStates } from '../../../core/shipping/states'
import { country, day, decimal, id, Joi, name, text } from '../../http/checks'

/** So much of a line, by its place in the order. */
const part = Joi.object({ position: id.required(), quantity: decimal.required() })

export const parts = Joi.array().items(part).min(1).max(1000)

export const parcels = Joi.array()
  .items(
    Joi.object({
      box: name(40).allow('').default(''),
      weight: decimal.allow(null).default(null),
      contents: parts.required(),
    }),
  )
  .min(1)
  .max(200)

export const shipTo = Joi.object({
  name: name(120).required(),
  attention: text(80).allow(''),
  lines: Joi.array().items(text(80)).min(1).max(6).required(),
  country: country.required(),
})

/** How it goes. */
export const going = {
  service: name(60).allow(''),
  remarks: text(400).allow(''),
}

/** What shipments can be narrowed by, for its pages and for the whole as CSV. */
export const shipmentFilter = {
  search: text(100).allow(''),
  state: Joi.valid(...shipmentStates),
  brand: text(10),
  labels: Joi.valid('missing'),
  from: day,
  sort: Joi.valid('day', 'label', 'customer', 'service').default('day'),
  descending: Joi.boolean().default(true),
}
