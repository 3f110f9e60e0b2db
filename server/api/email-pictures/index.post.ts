import { Joi, picture } from '../../http/checks'
import { route } from '../../http/route'
import { keepPicture } from '../../services/pictures/pictures'

/** Keeps a picture (base64) that emails can carry, checked by its content; the same one is kept once. */
export default route<object, object, { picture: string }>(
  {
    role: 'clerk',
    brands: 'none',
    bodyLimit: 3_000_000,
    body: Joi.object({ picture: picture.required() }),
  },
  ({ body }) => keepPicture(Buffer.from(body.picture, 'base64')),
)
