import type { Day } from '../../../core/documents/days'
import { day, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { makeToken, type Scope } from '../../services/people/tokens'

/** A new token; it is answered this one time only. */
export default route<object, object, { name: string; scope: Scope; endsOn: Day | null }>(
  {
    role: 'supervisor',
    proved: true,
    brands: 'all',
    body: Joi.object({
      name: name(60).required(),
      scope: Joi.valid('read', 'write').required(),
      endsOn: day.allow(null).default(null),
    }),
  },
  async ({ body, user }) => ({ token: await makeToken(body.name, body.scope, user.id, body.endsOn) }),
)
