import { Joi, name, text } from '../../http/checks'
import { route } from '../../http/route'
import { sentence, trust } from './sentence.check'
import { addRoutine, type NewRoutine } from '../../services/routines/routines'

/** A new routine, switched off until somebody switches it on. */
export default route<object, object, Omit<NewRoutine, 'isOn'>>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      name: name(80).min(1).required(),
      description: text(300).allow('').default(''),
      trust: trust.default('by hand'),
      sentence: sentence.required(),
    }),
  },
  async ({ body, user }) => ({ id: await addRoutine({ ...body, isOn: false }, user) }),
)
