import { day, Joi } from '../../../http/checks'
import { csvFile } from '../../../http/csv'
import { route } from '../../../http/route'
import { reconciliationOf } from '../../../services/register/reconciliation'

/** The differences of a day's proof as CSV. */
export default route<object, { day: string }>(
  { role: 'reader', brands: 'own', query: Joi.object({ day: day.required() }) },
  async ({ event, query, user }) =>
    csvFile(
      event,
      `proof-${query.day}`,
      ['number', 'kind', 'customerName', 'step', 'words', 'total', 'currency'],
      (await reconciliationOf(query.day, user)).differences.map(({ values: _, says: __, ...row }) => row),
    ),
)
