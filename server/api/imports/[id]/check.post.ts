import type { Reading } from '../../../../core/imports/row'
import { idParam } from '../../../http/checks'
import { reading } from '../import.check'
import { route } from '../../../http/route'
import { checkImport } from '../../../services/imports/imports'

/** Has every row checked by a mapping; nothing is written. */
export default route<{ id: number }, object, Reading>(
  { role: 'clerk', brands: 'all', params: idParam, body: reading },
  async ({ params, body }) => {
    await checkImport(params.id, body)
    return { ok: true }
  },
)
