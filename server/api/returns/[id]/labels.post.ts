import { idParam, Joi, name } from '../../../http/checks'
import { route } from '../../../http/route'
import { askLabels } from '../../../services/shipping/labels'

/** Has labels bought for the parcels of a return that have none; its note follows with them. */
export default route<{ id: number }, object, { service?: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      /** By name or code; left out, the one that stands at the return, or the cheapest. */
      service: name(80),
    }),
  },
  ({ params, body, user }) => askLabels(params.id, body, user),
)
