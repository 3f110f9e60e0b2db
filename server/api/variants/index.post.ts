import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { addVariant } from '../../services/house/variants'

export default route<object, object, { name: string }>(
  { role: 'supervisor', brands: 'all', body: Joi.object({ name: name(60).required() }) },
  async ({ body }) => ({ id: await addVariant(body.name) }),
)
