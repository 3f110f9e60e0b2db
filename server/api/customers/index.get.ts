import { Joi, page } from '../../http/checks'
import { customerFilter } from './list.check'
import { route } from '../../http/route'
import { type CustomerFilter } from '../../services/customers/customers'
import { listCustomers } from '../../services/customers/queries'

/** One page of customers by name, with how each is reached. */
export default route<object, CustomerFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...customerFilter, ...page }) },
  ({ query, user }) => listCustomers(query, user),
)
