import { idParam } from '../../../http/checks'
import { csvFile } from '../../../http/csv'
import { route } from '../../../http/route'
import { runLines } from '../../../services/runs/runs'

/** The run's report, a line per paper, as CSV (RFC 4180). */
export default route<{ id: number }>(
  { role: 'reader', brands: 'own', of: ({ params }) => ({ runs: [params.id] }), params: idParam },
  async ({ event, params }) =>
    csvFile(
      event,
      `run-${params.id}`,
      ['order', 'customer', 'kind', 'document', 'outcome', 'reason', 'total', 'currency', 'emails', 'prints'],
      await runLines(params.id),
    ),
)
