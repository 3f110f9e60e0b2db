import { linkPageRoute } from '../../http/link-page'
import { openLink } from '../../services/links/links'

/** The file behind a link, for whoever has its address and, where one is asked for, its code. */
export default linkPageRoute(({ token, code }) => openLink(token, code))
