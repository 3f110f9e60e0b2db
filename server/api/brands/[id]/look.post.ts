import { hideableSums, paperFamilies, type Design, type HideableSum } from '../../../../core/designs/design'
import { suppliedDesigns } from '../../../../core/designs/supplied'
import type { DocumentKind } from '../../../../core/documents/kinds'
import { idParam, Joi, kind } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeLook } from '../../../services/house/change'

interface Look {
  kind?: DocumentKind
  picture?: string
  width?: number
  noLogo?: boolean
  supplied?: Design['supplied']
  fonts?: Design['fonts']
  colours?: Design['colours']
  hiddenSums?: HideableSum[]
}

const colour = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/i)
  .lowercase()
  .required()
  .messages({ 'string.pattern.base': '{{#label}} is a colour like #8a5a00' })

/**
 * A brand's look on its papers: logo (base64) and its width in millimetres, design, fonts, colours; each may
 * come alone; for one kind of paper or all.
 */
export default route<{ id: number }, object, Look>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    bodyLimit: 4_000_000,
    body: Joi.object({
      kind: kind,
      picture: Joi.string().base64().max(3_000_000),
      width: Joi.number(),
      noLogo: Joi.boolean(),
      supplied: Joi.valid(...Object.keys(suppliedDesigns)),
      fonts: Joi.object({
        heading: Joi.valid(...paperFamilies).required(),
        text: Joi.valid(...paperFamilies).required(),
      }),
      colours: Joi.object({ brand: colour, accent: colour, ground: colour }),
      hiddenSums: Joi.array()
        .items(Joi.valid(...hideableSums))
        .unique(),
    }).or('picture', 'width', 'noLogo', 'supplied', 'fonts', 'colours', 'hiddenSums'),
  },
  async ({ params, body, user }) => {
    await changeLook(
      params.id,
      { ...body, picture: body.picture ? Buffer.from(body.picture, 'base64') : undefined },
      user,
    )
    return { ok: true }
  },
)
