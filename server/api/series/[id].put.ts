import type { NumberSeries } from '../../../core/numbering/series'
import { idParam, Joi } from '../../checks'
import { route } from '../../route'
import { changeSeries } from '../../services/house/change'

export default route<{ id: number }, object, NumberSeries>({
  role: 'supervisor', params: idParam,
  body: Joi.object({
    prefix: Joi.string().max(60).allow('').required(), suffix: Joi.string().max(60).allow('').required(), length: Joi.number().integer().required(), start: Joi.number().integer().max(1_000_000_000).required(),
    restart: Joi.valid('never', 'year', 'business year', 'month').required(), businessYearStart: Joi.number().integer().default(1),
  }),
}, async ({ params, body }) => {
  await changeSeries(params.id, body)
  return { ok: true }
})
