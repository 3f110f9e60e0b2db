import { documentKinds } from '../../../core/documents/kinds'
import { toldTerms } from '../../../core/documents/terms'
import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { customerFilter } from './list.check'
import { route } from '../../http/route'
import { type CustomerFilter, type CustomerRow } from '../../services/customers/customers'
import { listCustomers } from '../../services/customers/queries'
import { ownFields } from '../../services/fields/own-fields'

/** Customers as CSV, with how each kind of document reaches them and the house's own fields. */
export default route<object, CustomerFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(customerFilter) },
  async ({ event, query, user }) => {
    const own = (await ownFields('customer')).map(({ name }) => name)
    return csvAnswer(
      event,
      'customers',
      csvPages<CustomerRow, Record<string, string>>(
        [
          'number',
          'name',
          'group',
          'country',
          'language',
          'currency',
          'terms',
          'mandate',
          ...documentKinds,
          ...own,
        ],
        (place) => listCustomers({ ...query, ...place }, user),
        ({ number, name, groupName, country, language, currency, terms, ways, fields }) => ({
          ...Object.fromEntries(own.map((field) => [field, fields[field] ?? ''])),
          number,
          name,
          group: groupName,
          country,
          language,
          currency,
          terms: toldTerms(terms).words,
          mandate: terms.collected?.mandate ?? '',
          ...Object.fromEntries(
            ways.map((way) => [way.kind, way.problem?.words ?? (way.to || way.wish.words)]),
          ),
        }),
      ),
    )
  },
)
