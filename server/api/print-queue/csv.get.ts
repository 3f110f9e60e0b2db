import { csvFile } from '../../http/csv'
import { route } from '../../http/route'
import { printQueue } from '../../services/dispatch/print-queue'

/** What waits for the printer as CSV, in posting order. */
export default route({ role: 'reader', brands: 'own' }, async ({ event, user }) =>
  csvFile(
    event,
    'print-tray',
    ['number', 'customer', 'pages', 'total', 'currency', 'since'],
    (await printQueue(user)).map(({ number, customerName, pages, total, currency, since }) => ({
      number,
      customer: customerName,
      pages,
      total,
      currency,
      since: since.toISOString(),
    })),
  ),
)
