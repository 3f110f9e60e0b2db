import { idParam } from '../../../checks'
import { checkMayImport } from '../../../import-check'
import { route } from '../../../route'
import { importView, writeImport } from '../../../services/imports/imports'

/** Has the right rows written; the wrong ones stay, to be mended. */
export default route<{ id: number }>({ role: 'clerk', params: idParam }, async ({ params, user }) => {
  checkMayImport(user, (await importView(params.id)).subject)
  await writeImport(params.id)
  return { ok: true }
})
