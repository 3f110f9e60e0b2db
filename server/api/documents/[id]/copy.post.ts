import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendCopy } from '../../../services/dispatch/by-hand'

export default route<{ id: number }, object, { address: string; again: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ address: text(320).required(), again: Joi.boolean().default(false) }),
  },
  async ({ params, body, user }) => ({
    dispatchId: await sendCopy(params.id, body.address, body.again, user),
  }),
)
