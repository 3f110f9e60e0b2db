import { idParam, Joi } from '../../../http/checks'
import { checkMayImport } from '../import.check'
import { route } from '../../../http/route'
import { importView, writeImport } from '../../../services/imports/imports'

/**
 * Has the right rows written; the wrong ones stay, to be mended. Routines look at the orders' statuses only
 * with tellRoutines: old orders mail nobody.
 */
export default route<{ id: number }, object, { tellRoutines: boolean }>(
  {
    role: 'clerk',
    brands: 'all',
    params: idParam,
    body: Joi.object({ tellRoutines: Joi.boolean().default(false) }),
  },
  async ({ params, body, user }) => {
    checkMayImport(user, (await importView(params.id)).subject)
    await writeImport(params.id, body.tellRoutines)
    return { ok: true }
  },
)
