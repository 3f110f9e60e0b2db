import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { setLevelBack } from '../../../services/receivables/accounts'

/** Takes the last reminder of an open item back, with a reason: it is at the level before it. */
export default route<{ id: number }, object, { level: number; reason: string }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ level: Joi.number().integer().min(1).required(), reason: text(200).required() }),
  },
  async ({ params, body, user }) => {
    await setLevelBack(params.id, body, user)
    return { ok: true }
  },
)
