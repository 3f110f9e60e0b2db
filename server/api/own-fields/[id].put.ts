import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { changeOwnField, type OwnFieldChange } from '../../services/fields/own-fields'
import { changeable } from './field.check'

/** Its name and kind stay: conditions, files and other programs use them. */
export default route<{ id: number }, object, OwnFieldChange & { version: number }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...changeable, version: id.required() }),
  },
  async ({ params, body: { version, ...change } }) => {
    await changeOwnField(params.id, version, change)
    return { ok: true }
  },
)
