import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepCarrier, type CarrierChange } from '../../services/shipping/carriers'
import { carrier } from './carrier.check'

/** Adds a carrier; it is asked first what it carries. */
export default route<object, object, CarrierChange>(
  { role: 'supervisor', proved: true, brands: 'all', body: Joi.object(carrier) },
  async ({ body }) => ({ id: await keepCarrier(null, { ...body, version: 1 }) }),
)
