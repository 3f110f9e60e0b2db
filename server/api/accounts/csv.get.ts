import { setHeader } from 'h3'
import { ageingSteps } from '../../../core/receivables/ageing'
import { csvStream } from '../../csv'
import { route } from '../../route'
import { accounts } from '../../services/receivables/accounts'

/** All open accounts as CSV, by name. */
export default route({ role: 'reader' }, ({ event }) => {
  setHeader(event, 'content-type', 'text/csv; charset=utf-8')
  setHeader(event, 'content-disposition', 'attachment; filename="accounts.csv"')
  async function* batches() {
    let after: string | undefined
    do {
      const page = await accounts({ sort: 'name', descending: false, after, limit: 200 })
      yield page.rows.map(({ number, name, currency, steps, overdue, credit, balance, oldestDue }) => ({ number, name, currency, ...Object.fromEntries(ageingSteps.map((step, index) => [step, steps[index]!])), overdue, credit, balance, oldestDue: oldestDue ?? '' }))
      after = page.after ?? undefined
    } while (after)
  }
  return csvStream(['number', 'name', 'currency', ...ageingSteps, 'overdue', 'credit', 'balance', 'oldestDue'] as never[], batches())
})
