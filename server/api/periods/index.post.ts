import type { Day } from '../../../core/documents/days'
import { day, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { closePeriods } from '../../services/house/periods'

/** Closes every day up to one, or opens again from the day after it; null opens all. */
export default route<object, object, { until: Day | null; reason: string }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({ until: day.allow(null).required(), reason: text(300).allow('').default('') }),
  },
  async ({ body, user }) => {
    await closePeriods(body.until, body.reason, user)
    return { ok: true }
  },
)
