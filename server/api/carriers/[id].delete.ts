import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { removeCarrier } from '../../services/shipping/carriers'

/** Takes a carrier away of which nothing was ever bought. */
export default route<{ id: number }, { version: number }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    params: idParam,
    query: Joi.object({ version: id.required() }),
  },
  async ({ params, query }) => {
    await removeCarrier(params.id, query.version)
    return { ok: true }
  },
)
