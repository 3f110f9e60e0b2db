import { idParam } from '../../../checks'
import { csvFile } from '../../../csv'
import { route } from '../../../route'
import { runLines } from '../../../services/documents/send-run'

/** The run's report, a line per paper, as CSV (RFC 4180). */
export default route<{ id: number }>({ role: 'reader', params: idParam }, async ({ event, params }) =>
  csvFile(
    event,
    `run-${params.id}`,
    ['order', 'customer', 'outcome', 'reason', 'document', 'total', 'currency', 'state'],
    await runLines(params.id),
  ),
)
