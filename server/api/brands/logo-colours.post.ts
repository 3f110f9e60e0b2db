import { Joi, picture } from '../../http/checks'
import { route } from '../../http/route'
import { proposeColours } from '../../services/house/add-brand'

/** Colours for documents that go with a logo (base64); nothing is kept. */
export default route<object, object, { logo: string }>(
  {
    role: 'supervisor',
    brands: 'none',
    bodyLimit: 4_000_000,
    body: Joi.object({ logo: picture.required() }),
  },
  ({ body }) => proposeColours(Buffer.from(body.logo, 'base64')),
)
