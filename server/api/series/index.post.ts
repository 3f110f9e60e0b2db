import type { DocumentKind } from '../../../core/documents/kinds'
import type { NumberSeries, SeriesScope } from '../../../core/numbering/series'
import { country, currency, id, Joi, kind, name } from '../../http/checks'
import { route } from '../../http/route'
import { series } from './series.check'
import { addSeries } from '../../services/house/series'

/** A closer series, for a branch, a country, a currency or several of them. */
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
      branch: name(60).allow('').default(''),
    }),
  },
  async ({ body: { brandId, kind, country, currency, branch, ...how } }) => ({
    id: await addSeries(brandId, kind, { country, currency, branch }, how),
  }),
)
