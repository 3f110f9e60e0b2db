import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { registerFilter, registerSort } from './list.check'
import { route } from '../../http/route'
import { type RegisterFilter } from '../../services/register/register'
import { register } from '../../services/register/register-queries'

/** The Register as CSV, as it is filtered and sorted. */
export default route<object, RegisterFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...registerFilter, ...registerSort }) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'register',
      csvPages(
        ['number', 'kind', 'date', 'customer', 'order', 'brand', 'total', 'open', 'currency', 'state'],
        (place) => register({ ...query, ...place }, user),
        ({
          number,
          kind,
          date,
          customerName,
          orderNumber,
          brand,
          total,
          open,
          currency,
          state,
          voided,
          credited,
        }) => ({
          number,
          kind,
          date,
          customer: customerName,
          order: orderNumber,
          brand,
          total,
          open,
          currency,
          state: voided ? 'void' : credited ? `${credited} credited` : (state ?? 'not sent'),
        }),
      ),
    ),
)
