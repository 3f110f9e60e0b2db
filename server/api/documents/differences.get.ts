import { day, Joi } from '../../checks'
import { csvFile } from '../../csv'
import { route } from '../../route'
import { proofOf } from '../../services/register/proof'

/** The differences of a day's proof as CSV. */
export default route<object, { day: string }>(
  { role: 'reader', query: Joi.object({ day: day.required() }) },
  async ({ event, query }) =>
    csvFile(
      event,
      `proof-${query.day}`,
      ['number', 'kind', 'customerName', 'step', 'words', 'total', 'currency'],
      (await proofOf(query.day)).differences,
    ),
)
