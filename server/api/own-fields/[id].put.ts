import { idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeOwnField, type OwnFieldChange } from '../../services/fields/own-fields'
import { changeable } from './field.check'

/** Its name and kind stay: conditions, files and other programs use them. */
export default route<{ id: number }, object, OwnFieldChange>(
  { role: 'supervisor', brands: 'all', params: idParam, body: Joi.object(changeable) },
  async ({ params, body }) => {
    await changeOwnField(params.id, body)
    return { ok: true }
  },
)
