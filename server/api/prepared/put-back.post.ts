import { ids, Joi } from '../../checks'
import { route } from '../../route'
import { putBack } from '../../services/documents/prepare-by-hand'

export default route<object, object, { ids: number[] }>(
  { role: 'clerk', brands: 'own', of: ({ body }) => ({ prepared: body.ids }), body: Joi.object({ ids }) },
  async ({ body, user }) => ({ ids: await putBack(body.ids, user.name) }),
)
