import { setResponseHeaders } from 'h3'
import { id, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { printQueuePdf } from '../../services/dispatch/print-queue'
import { mostPrinted } from '../../services/dispatch/queries'

/** The chosen papers of the print queue as one PDF in posting order. */
export default route<object, { ids: string; copies: number }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ query }) => ({ dispatches: query.ids.split(',').map(Number) }),
    query: Joi.object({
      ids: Joi.string()
        .pattern(/^\d+(,\d+)*$/)
        .max(6000)
        .required(),
      copies: Joi.number().integer().min(1).max(5).default(1),
    }),
  },
  async ({ event, query }) => {
    const wanted = query.ids.split(',').map(Number).slice(0, mostPrinted)
    const { error } = Joi.array().items(id).validate(wanted)
    const bytes = await printQueuePdf(error ? [] : wanted, query.copies)
    setResponseHeaders(event, {
      'content-type': 'application/pdf',
      'content-disposition': 'inline; filename="to-print.pdf"',
      'cache-control': 'no-store',
    })
    return Buffer.from(bytes)
  },
)
