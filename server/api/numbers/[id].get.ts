import { idParam, Joi, page, text } from '../../http/checks'
import { route } from '../../http/route'
import { numbers } from '../../services/register/numbers-queries'

/** The numbers of a series in a period, with those that are missing. */
export default route<{ id: number }, { period: string; after?: string; limit: number }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ series: [params.id] }),
    params: idParam,
    query: Joi.object({ period: text(40).allow('').default(''), ...page }),
  },
  ({ params, query }) => numbers({ seriesId: params.id, ...query }),
)
