import { idParam } from '../../http/checks'
import { route } from '../../http/route'
import { dropFilter } from '../../services/house/saved-filters'

/** A saved filter is there no more. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'none', params: idParam },
  async ({ params }) => {
    await dropFilter(params.id)
    return { ok: true }
  },
)
