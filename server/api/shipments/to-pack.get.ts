import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { planByCode } from '../../services/shipping/pack'

/** What of the order with this number is left to ship, as the bar code on its papers says it. */
export default route<object, { code: string }>(
  { role: 'reader', brands: 'own', query: Joi.object({ code: name(60).required() }) },
  ({ query, user }) => planByCode(query.code, user),
)
