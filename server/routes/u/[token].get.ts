import { updatesPageRoute } from '../../http/updates-page'
import { updatesPage } from '../../services/links/updates-page'

/** The page on which somebody ends order updates. Looking at it ends nothing: mail programs look into links. */
export default updatesPageRoute(updatesPage)
