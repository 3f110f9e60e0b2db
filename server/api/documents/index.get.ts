import { Joi, page } from '../../http/checks'
import { registerFilter, registerSort } from './list.check'
import { route } from '../../http/route'
import { type RegisterFilter } from '../../services/register/register'
import { register } from '../../services/register/register-queries'

/** One page of the Register. */
export default route<object, RegisterFilter>(
  { role: 'reader', brands: 'own', query: Joi.object({ ...registerFilter, ...registerSort, ...page }) },
  ({ query, user }) => register(query, user),
)
