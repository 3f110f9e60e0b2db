import { csvFile } from '../../http/csv'
import { route } from '../../http/route'
import { rates } from '../../services/house/rates'

/** The newest exchange rates as CSV, by the columns that are read in. */
export default route({ role: 'reader', brands: 'none' }, async ({ event }) =>
  csvFile(event, 'rates', ['currency', 'day', 'rate', 'source'], await rates()),
)
