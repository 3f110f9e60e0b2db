import type { NumberSeries } from '../../../core/numbering/series'
import { id, idParam, Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { series } from './series.check'
import { changeSeries } from '../../services/house/series'

/**
 * Changes a series. A start that leaves numbers out is refused with them; said again with a reason, they are
 * left out and the register keeps why.
 */
export default route<{ id: number }, object, NumberSeries & { version: number; skipReason: string }>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ series: [params.id] }),
    params: idParam,
    body: Joi.object({ ...series, version: id.required(), skipReason: name(200).allow('').default('') }),
  },
  async ({ params, body: { skipReason, ...how }, user }) => {
    await changeSeries(params.id, how, { reason: skipReason, who: user })
    return { ok: true }
  },
)
