import {
  hideableSums,
  itemNames,
  paperFamilies,
  type Design,
  type HideableSum,
  type ItemNamedBy,
  type Zone,
} from '../../../../core/designs/design'
import { suppliedDesigns } from '../../../../core/designs/supplied'
import type { DocumentKind } from '../../../../core/documents/kinds'
import { colours, id, idParam, Joi, kind, picture } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeLook } from '../../../services/house/change'

interface Look {
  version: number
  kind?: DocumentKind
  picture?: string
  width?: number
  noLogo?: boolean
  supplied?: Design['supplied']
  fonts?: Design['fonts']
  colours?: Design['colours']
  hiddenSums?: HideableSum[]
  slip?: boolean
  account?: boolean
  peelOff?: Zone | null
  item?: ItemNamedBy
  variantId?: number | null
}

const place = Joi.number().min(0).max(400).precision(1).required()

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
      version: id.required(),
      kind: kind,
      /** Only those of the customers of a variant. */
      variantId: id.allow(null).default(null),
      picture,
      width: Joi.number(),
      noLogo: Joi.boolean(),
      supplied: Joi.valid(...Object.keys(suppliedDesigns)),
      fonts: Joi.object({
        heading: Joi.valid(...paperFamilies).required(),
        text: Joi.valid(...paperFamilies).required(),
      }),
      colours,
      hiddenSums: Joi.array()
        .items(Joi.valid(...hideableSums))
        .unique(),
      slip: Joi.boolean(),
      /** What is open on the customer's account is listed besides. */
      account: Joi.boolean(),
      /** By what lines name their items. */
      item: Joi.valid(...itemNames),
      /** Of what goes with the goods, in millimetres; null for none. */
      peelOff: Joi.object({ x: place, y: place, width: place, height: place }).allow(null),
    }).or(
      'picture',
      'width',
      'noLogo',
      'supplied',
      'fonts',
      'colours',
      'hiddenSums',
      'slip',
      'account',
      'peelOff',
      'item',
    ),
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
