import type { DocumentKind } from '../../../core/documents/kinds'
import type { NumberSeries, SeriesScope } from '../../../core/numbering/series'
import { country, currency, id, Joi, kind } from '../../http/checks'
import { route } from '../../http/route'
import { series } from './series.check'
import { addSeries } from '../../services/house/series'

/** A closer series, for a country, a currency or both. */
export default route<object, object, NumberSeries & SeriesScope & { brandId: number; kind: DocumentKind }>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ body }) => ({ brands: [body.brandId] }),
    body: Joi.object({
      ...series,
      brandId: id.required(),
      kind: kind.required(),
      country: country.allow('').default(''),
      currency: currency.allow('').default(''),
    }),
  },
  async ({ body: { brandId, kind, country, currency, ...how } }) => ({
    id: await addSeries(brandId, kind, { country, currency }, how),
  }),
)
