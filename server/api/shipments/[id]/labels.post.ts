import { idParam, Joi, name } from '../../../http/checks'
import { route } from '../../../http/route'
import { askLabels } from '../../../services/shipping/labels'

/** Has labels bought for the parcels of a shipment that have none. */
export default route<{ id: number }, object, { service?: string; despite: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      /** By name or code; left out, the one that stands at the shipment, that a rule says, or the cheapest. */
      service: name(80),
      /** The order is held or withdrawn, and they are bought all the same. */
      despite: Joi.boolean().default(false),
    }),
  },
  ({ params, body, user }) => askLabels(params.id, body, user),
)
