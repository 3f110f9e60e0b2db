import { Joi } from '../../http/checks'
import { registerFilter } from './list.check'
import { route } from '../../http/route'
import { type RegisterFilter } from '../../services/register/register'
import { registerSums } from '../../services/register/register-queries'

/** How many documents match a filter of the Register, and their sums by currency. */
export default route<object, RegisterFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(registerFilter) },
  ({ query, user }) => registerSums(query, user),
)
