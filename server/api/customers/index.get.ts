import { Joi, page } from '../../checks'
import { customerFilter } from '../../list-checks'
import { route } from '../../route'
import { listCustomers, type CustomerFilter } from '../../services/customers/customers'

/** One page of customers by name, with how each is reached. */
export default route<object, CustomerFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...customerFilter, ...page }) },
  ({ query, user }) => listCustomers(query, user),
)
