import { updatesPageRoute } from '../../http/updates-page'
import { noMoreUpdates } from '../../services/customers/no-more-updates'

/** Ends order updates for the customer of an email, by a mail program's own button (RFC 8058) or the page's. */
export default updatesPageRoute(noMoreUpdates)
