import { ageingSteps } from '../../../core/receivables/ageing'
import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import { type AccountFilter } from '../../services/receivables/accounts'
import { accounts } from '../../services/receivables/accounts-queries'
import { accountFilter, accountSort } from './filter.check'

const query = Joi.object({ ...accountFilter, ...accountSort })

/** Open accounts as CSV, as they are filtered and sorted. */
export default route<object, AccountFilter>(
  { role: 'reader', brands: 'own', query },
  ({ event, query, user }) => {
    const columns = [
      'number',
      'name',
      'currency',
      ...ageingSteps,
      'overdue',
      'credit',
      'balance',
      'oldestDue',
    ]
    return csvAnswer(
      event,
      'accounts',
      csvPages<Awaited<ReturnType<typeof accounts>>['rows'][number], Record<string, string>>(
        columns,
        (place) => accounts({ ...query, ...place }, user),
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
  },
)
