import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { retireBrand } from '../../../services/house/retire-brand'

/** Retires a brand, or takes it into use again. */
export default route<{ id: number }, object, { version: number; retired: boolean }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({ version: id.required(), retired: Joi.boolean().required() }),
  },
  async ({ params, body }) => {
    await retireBrand(params.id, body.version, body.retired)
    return { ok: true }
  },
)
