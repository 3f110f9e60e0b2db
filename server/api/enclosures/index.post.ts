import { route } from '../../http/route'
import { addEnclosure } from '../../services/enclosures/enclosures'
import { bytesIn, fileBodyLimit, newEnclosure, type NewEnclosure } from './enclosure.check'

/** A standing file that goes along with documents; its bytes in base64. */
export default route<object, object, NewEnclosure>(
  { role: 'supervisor', brands: 'all', body: newEnclosure, bodyLimit: fileBodyLimit },
  ({ body: { file, ...change }, user }) => addEnclosure({}, bytesIn(file), change, user),
)
