import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { inviteAgain } from '../../../services/staff/staff'

/** Sends an invitation anew; the one before is out of force. */
export default route<{ id: number }>(
  { role: 'supervisor', proved: true, brands: 'all', params: idParam },
  ({ params }) => inviteAgain(params.id),
)
