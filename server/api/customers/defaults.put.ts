import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { keepDefaults, type CustomerDefaults } from '../../services/customers/groups'
import { preferences } from './preference.check'

const defaults = Joi.object({
  preferences: preferences.required(),
  roles: Joi.array().items(name(40)).max(40).unique().required(),
})

/** Changes them, from how they were on the screen; what is used cannot be taken away. */
export default route<object, object, { before: CustomerDefaults; now: CustomerDefaults }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({ before: defaults.required(), now: defaults.required() }),
  },
  async ({ body }) => {
    await keepDefaults(body.before, body.now)
    return { ok: true }
  },
)
