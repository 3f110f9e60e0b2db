import { idParam, Joi } from '../../../checks'
import { route } from '../../../route'
import { changeLogo } from '../../../services/house/change'

/** A new logo (base64) and its width on the paper in millimetres; either may come alone. */
export default route<{ id: number }, object, { picture?: string, width?: number }>({
  role: 'supervisor', params: idParam, body: Joi.object({ picture: Joi.string().base64().max(3_000_000), width: Joi.number() }).or('picture', 'width'),
}, async ({ params, body, user }) => {
  await changeLogo(params.id, { picture: body.picture ? Buffer.from(body.picture, 'base64') : undefined, width: body.width }, user.name)
  return { ok: true }
})
