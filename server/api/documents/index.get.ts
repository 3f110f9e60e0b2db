import { Joi, page } from '../../checks'
import { registerFilter, registerSort } from '../../list-checks'
import { route } from '../../route'
import { type RegisterFilter } from '../../services/register/register'
import { register } from '../../services/register/register-queries'

/** One page of the Register. */
export default route<object, RegisterFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...registerFilter, ...registerSort, ...page }) },
  ({ query, user }) => register(query, user),
)
