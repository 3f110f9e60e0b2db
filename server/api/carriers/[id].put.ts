import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepCarrier, type CarrierChange } from '../../services/shipping/carriers'
import { carrier } from './carrier.check'

/** Changes a carrier; a key that is left out stays. */
export default route<{ id: number }, object, CarrierChange & { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...carrier, version: id.required() }),
  },
  async ({ params, body }) => ({ id: await keepCarrier(params.id, body) }),
)
