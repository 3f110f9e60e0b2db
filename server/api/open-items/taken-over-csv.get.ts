import { csvFile } from '../../http/csv'
import { route } from '../../http/route'
import { takenOverView } from '../../services/receivables/take-over'

/** What came over, customer by customer, as CSV. */
export default route({ role: 'reader', brands: 'own' }, async ({ event, user }) => {
  const { customers } = await takenOverView(user)
  return csvFile(event, 'taken-over', ['number', 'name', 'currency', 'count', 'sum'], customers)
})
