import { route } from '../../http/route'
import { standingTexts } from '../../services/house/standing-texts'

/** Texts of the house that stand on documents. */
export default route({ role: 'reader', brands: 'none' }, async () => ({ texts: await standingTexts() }))
