import { linkPageRoute } from '../../http/link-page'
import { linkPage } from '../../services/links/links'

/** The page behind a link of an email. It gives nothing yet: mail programs that look into links count as nobody. */
export default linkPageRoute(({ token }) => linkPage(token))
