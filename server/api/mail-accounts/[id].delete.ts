import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { removeMailAccount } from '../../services/house/mail-accounts'

export default route<{ id: number }, { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    query: Joi.object({ version: id.required() }),
  },
  async ({ params, query }) => {
    await removeMailAccount(params.id, query.version)
    return { ok: true }
  },
)
