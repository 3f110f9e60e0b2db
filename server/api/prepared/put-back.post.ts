import { ids, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { putBack } from '../../services/documents/prepare-by-hand'

export default route<object, object, { ids: number[] }>(
  { role: 'clerk', brands: 'own', of: ({ body }) => ({ prepared: body.ids }), body: Joi.object({ ids }) },
  async ({ body, user }) => ({ ids: await putBack(body.ids, user) }),
)
