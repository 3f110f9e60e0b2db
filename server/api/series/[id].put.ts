import type { NumberSeries } from '../../../core/numbering/series'
import { idParam, Joi } from '../../checks'
import { route } from '../../route'
import { series } from '../../series-check'
import { changeSeries } from '../../services/house/series'

export default route<{ id: number }, object, NumberSeries>(
  { role: 'supervisor', params: idParam, body: Joi.object(series) },
  async ({ params, body }) => {
    await changeSeries(params.id, body)
    return { ok: true }
  },
)
