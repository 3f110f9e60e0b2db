import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { addEnclosure } from '../../../services/enclosures/enclosures'
import { bytesIn, fileBodyLimit, newEnclosure, type NewEnclosure } from '../../enclosures/enclosure.check'

/** Hangs a file on an item: it goes along with what bills it; its bytes in base64. */
export default route<{ id: number }, object, NewEnclosure>(
  { role: 'clerk', brands: 'none', params: idParam, body: newEnclosure, bodyLimit: fileBodyLimit },
  ({ params, body: { file, ...change }, user }) =>
    addEnclosure({ itemId: params.id }, bytesIn(file), change, user),
)
