import { id, idParam, Joi, name, text } from '../../http/checks'
import { route } from '../../http/route'
import { sentence, trust } from './sentence.check'
import { changeRoutine, type RoutineChange } from '../../services/routines/routines'

export default route<{ id: number }, object, RoutineChange>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({
      version: id.required(),
      name: name(80).min(1),
      description: text(300).allow(''),
      isOn: Joi.boolean(),
      trust,
      sentence,
    }).or('name', 'description', 'isOn', 'trust', 'sentence'),
  },
  async ({ params, body, user }) => {
    await changeRoutine(params.id, body, user)
    return { ok: true }
  },
)
