import { idParam } from '../../../checks'
import { route } from '../../../route'
import { writeImport } from '../../../services/imports/imports'

/** Has the right rows written; the wrong ones stay, to be mended. */
export default route<{ id: number }>({ role: 'clerk', params: idParam }, async ({ params }) => {
  await writeImport(params.id)
  return { ok: true }
})
