import { route } from '../../http/route'
import { variants } from '../../services/house/variants'

/** Variants of email texts and designs for some customers, with who gets them. */
export default route({ role: 'reader', brands: 'none' }, async () => ({ variants: await variants() }))
