import { setResponseHeaders } from 'h3'
import { ageingSteps } from '../../../core/receivables/ageing'
import { csvPages } from '../../csv'
import { route } from '../../route'
import { accounts } from '../../services/receivables/accounts'

/** All open accounts as CSV, by name. */
export default route({ role: 'reader' }, ({ event }) => {
  setResponseHeaders(event, { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': 'attachment; filename="accounts.csv"' })
  const columns = ['number', 'name', 'currency', ...ageingSteps, 'overdue', 'credit', 'balance', 'oldestDue']
  return csvPages<Awaited<ReturnType<typeof accounts>>['rows'][number], Record<string, string>>(columns, place => accounts({ sort: 'name', descending: false, ...place }),
    ({ number, name, currency, steps, overdue, credit, balance, oldestDue }) => ({ number, name, currency, ...Object.fromEntries(ageingSteps.map((step, index) => [step, steps[index]!])), overdue, credit, balance, oldestDue: oldestDue ?? '' }))
})
