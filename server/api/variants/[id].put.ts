import { id, idParam, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { changeVariant } from '../../services/house/variants'

/** Renames a variant, retires it or brings it back. */
export default route<{ id: number }, object, { name: string; retired: boolean; version: number }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({
      name: name(60).required(),
      retired: Joi.boolean().default(false),
      version: id.required(),
    }),
  },
  async ({ params, body }) => {
    await changeVariant(params.id, body)
    return { ok: true }
  },
)
