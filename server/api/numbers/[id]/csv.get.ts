import { setResponseHeaders } from 'h3'
import { idParam, Joi, text } from '../../../http/checks'
import { csvStream } from '../../../http/csv'
import { route } from '../../../http/route'
import { allNumbers, type NumberRow } from '../../../services/register/numbers'

/** The numbers of a series in a period as CSV, streamed. */
export default route<{ id: number }, { period: string }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ series: [params.id] }),
    params: idParam,
    query: Joi.object({ period: text(40).allow('').default('') }),
  },
  async ({ event, params, query }) => {
    const batches = await allNumbers(params.id, query.period)
    const period = query.period.replace(/[^\w-]/g, '') || 'all'
    setResponseHeaders(event, {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="numbers-${params.id}-${period}.csv"`,
      'cache-control': 'no-store',
    })
    return csvStream<NumberRow>(
      [
        'number',
        'counter',
        'date',
        'state',
        'reason',
        'creditedWith',
        'customerName',
        'total',
        'currency',
        'issuedAt',
        'issuedBy',
      ],
      batches,
    )
  },
)
