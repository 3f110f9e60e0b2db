import { trusts, type Trust } from '../../../core/routines/routine'
import { id, idParam, Joi, text } from '../../checks'
import { route } from '../../route'
import { changeRoutine, type RoutineChange } from '../../services/routines/routines'

export default route<{ id: number }, object, RoutineChange & { trust?: Trust }>({
  role: 'supervisor', params: idParam,
  body: Joi.object({ version: id.required(), name: text(80).min(1), description: text(300).allow(''), isOn: Joi.boolean(), trust: Joi.valid(...trusts) }).or('name', 'description', 'isOn', 'trust'),
}, async ({ params, body, user }) => {
  await changeRoutine(params.id, body, user.name)
  return { ok: true }
})
