import { day, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { makeShipment, type NewShipment } from '../../../services/shipping/pack'
import { going, parcels, parts, shipTo } from '../../shipments/shipment.check'

/** Packs what of an order goes: a shipment of its own. */
export default route<{ id: number }, object, NewShipment>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({ lines: parts.required(), parcels, day, ...going, delivery: shipTo }),
  },
  async ({ params, body, user }) => ({ shipmentId: await makeShipment(params.id, body, user) }),
)
