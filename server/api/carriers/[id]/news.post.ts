import { getHeader } from 'h3'
import { idParam } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeNews } from '../../../services/shipping/tracking'

/**
 * A carrier tells how far a parcel is: its number and way as JSON, with the headers Parcel-Moment (ISO 8601) and
 * Parcel-Signature (HMAC-SHA256 in hex over moment, a full stop and the body, under the key of the carrier).
 */
export default route<{ id: number }>(
  { role: 'anyone', brands: 'none', params: idParam, takesFile: true, bodyLimit: 20_000 },
  async ({ event, params, bytes }) => {
    await takeNews(params.id, {
      moment: getHeader(event, 'parcel-moment') ?? '',
      signature: getHeader(event, 'parcel-signature') ?? '',
      body: bytes,
    })
    return { ok: true }
  },
)
