import { idParam } from '../../../http/checks'
import { csvAnswer, csvPages } from '../../../http/csv'
import { route } from '../../../http/route'
import { importView } from '../../../services/imports/imports'
import { importRows } from '../../../services/imports/imports-queries'

/** What became of every row, as CSV. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'all', params: idParam },
  async ({ event, params }) => {
    await importView(params.id)
    return csvAnswer(
      event,
      `import-${params.id}`,
      csvPages(
        ['line', 'state', 'note', 'cells'],
        (place) => importRows({ importId: params.id, ...place }),
        ({ line, state, note, cells }) => ({
          line,
          state,
          note: note?.words ?? '',
          cells: cells.join(' | '),
        }),
      ),
    )
  },
)
