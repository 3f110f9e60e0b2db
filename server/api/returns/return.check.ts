import { returnLists } from '../../services/shipping/return-list'
import { day, decimal, id, Joi, text } from '../../http/checks'
import { going, parcels, shipTo } from '../shipments/shipment.check'

/** How much of lines comes back, and why. */
export const coming = Joi.array()
  .items(
    Joi.object({
      position: id.required(),
      quantity: decimal.required(),
      reason: text(120).allow('').default(''),
    }),
  )
  .min(1)
  .max(1000)

/** How goods come back. */
export const comingBack = {
  until: day.required(),
  sender: shipTo.required(),
  delivery: shipTo.required(),
  remarks: going.remarks.default(''),
  service: going.service,
  parcels,
}

/** What returns can be narrowed by, for their pages and for the whole as CSV. */
export const returnFilter = {
  what: Joi.valid(...returnLists).default('expected'),
  search: text(100).allow(''),
  brand: text(10),
  from: day,
  sort: Joi.valid('day', 'label', 'customer', 'until').default('day'),
  descending: Joi.boolean().default(true),
}
