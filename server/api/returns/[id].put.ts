import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeReturn, type ReturnChange } from '../../services/shipping/return-changes'
import { comingBack } from './return.check'

/** Changes how goods come back. */
export default route<{ id: number }, object, ReturnChange>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      ...comingBack,
      service: comingBack.service.required(),
      parcels: comingBack.parcels.required(),
    }),
  },
  async ({ params, body, user }) => ({ version: await changeReturn(params.id, body, user) }),
)
