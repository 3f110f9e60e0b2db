import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeShipmentBack } from '../../../services/shipping/shipments'

/** Takes a shipment back: all of it is left to ship again. */
export default route<{ id: number }, object, { version: number; despite: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      /** Documents that were issued stay as they are. */
      despite: Joi.boolean().default(false),
    }),
  },
  async ({ params, body, user }) => {
    await takeShipmentBack(params.id, body, user)
    return { takenBack: true }
  },
)
