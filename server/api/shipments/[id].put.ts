import { day, id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeShipment, type ShipmentChange } from '../../services/shipping/shipments'
import { going, parcels, shipTo } from './shipment.check'

/** Changes how a shipment goes and how it is packed. */
export default route<{ id: number }, object, ShipmentChange>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      day: day.required(),
      service: going.service.required(),
      remarks: going.remarks.required(),
      delivery: shipTo.required(),
      parcels: parcels.required(),
    }),
  },
  async ({ params, body, user }) => ({ version: await changeShipment(params.id, body, user) }),
)
