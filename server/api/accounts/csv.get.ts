import { ageingSteps } from '../../../core/receivables/ageing'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import { accounts } from '../../services/receivables/accounts-queries'

/** All open accounts as CSV, by name. */
export default route({ role: 'reader', brands: 'own' }, ({ event, user }) => {
  const columns = ['number', 'name', 'currency', ...ageingSteps, 'overdue', 'credit', 'balance', 'oldestDue']
  return csvAnswer(
    event,
    'accounts',
    csvPages<Awaited<ReturnType<typeof accounts>>['rows'][number], Record<string, string>>(
      columns,
      (place) => accounts({ sort: 'name', descending: false, ...place }, user),
      ({ number, name, currency, steps, overdue, credit, balance, oldestDue }) => ({
        number,
        name,
        currency,
        ...Object.fromEntries(ageingSteps.map((step, index) => [step, steps[index]!])),
        overdue,
        credit,
        balance,
        oldestDue: oldestDue ?? '',
      }),
    ),
  )
})
