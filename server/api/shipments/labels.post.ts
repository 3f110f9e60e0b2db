import { ids, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { askLabelsOfMany } from '../../services/shipping/labels'

/** Has labels bought for many shipments; one that is refused never keeps the others back. */
export default route<object, object, { shipmentIds: number[]; service?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ sources: body.shipmentIds }),
    body: Joi.object({ shipmentIds: ids, service: name(80) }),
  },
  ({ body: { shipmentIds, ...how }, user }) => askLabelsOfMany(shipmentIds, how, user),
)
