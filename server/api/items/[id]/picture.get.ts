import { idParam } from '../../../http/checks'
import { pictureAnswer } from '../../../http/download'
import { route } from '../../../http/route'
import { itemPicture } from '../../../services/items/items'

/** An item's picture, to be shown on a screen. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'none', params: idParam },
  async ({ event, params }) => pictureAnswer(event, await itemPicture(params.id)),
)
