import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { matchAgain } from '../../../services/receivables/bank-booking'

/** Matches what is not booked once more, with what is open now. */
export default route<{ id: number }>(
  { role: 'clerk', brands: 'all', params: idParam },
  async ({ params }) => ({
    changed: await matchAgain(params.id),
  }),
)
