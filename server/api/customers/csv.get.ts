import { documentKinds } from '../../../core/documents/kinds'
import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { customerFilter } from './list.check'
import { route } from '../../http/route'
import { type CustomerFilter } from '../../services/customers/customers'
import { listCustomers } from '../../services/customers/queries'

/** Customers as CSV, with how each kind of paper reaches them. */
export default route<object, CustomerFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(customerFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'customers',
      csvPages<Awaited<ReturnType<typeof listCustomers>>['rows'][number], Record<string, string>>(
        ['number', 'name', 'group', 'country', 'language', 'currency', ...documentKinds],
        (place) => listCustomers({ ...query, ...place }, user),
        ({ number, name, groupName, country, language, currency, ways }) => ({
          number,
          name,
          group: groupName,
          country,
          language,
          currency,
          ...Object.fromEntries(ways.map((way) => [way.kind, way.problem ?? (way.to || way.words)])),
        }),
      ),
    ),
)
