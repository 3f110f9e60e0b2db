import { setResponseHeaders } from 'h3'
import { idParam } from '../../../checks'
import { csv } from '../../../csv'
import { route } from '../../../route'
import { runLines } from '../../../services/documents/send-run'

/** The run's report, a line per paper, as CSV (RFC 4180). */
export default route<{ id: number }>({ role: 'reader', params: idParam }, async ({ event, params }) => {
  setResponseHeaders(event, { 'content-type': 'text/csv; charset=utf-8', 'content-disposition': `attachment; filename="run-${params.id}.csv"` })
  return csv(['order', 'customer', 'outcome', 'reason', 'document', 'total', 'currency', 'state'], await runLines(params.id))
})
