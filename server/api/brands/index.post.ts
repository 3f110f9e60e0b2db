import { bank, Joi, colours, country, id, name, picture, text } from '../../http/checks'
import { route } from '../../http/route'
import { addBrand, type NewBrand } from '../../services/house/add-brand'

/** A new brand with all that its documents need; its logo in base64. With `copyOf` it looks and writes like another. */
export default route<object, object, Omit<NewBrand, 'logo'> & { logo?: string }>(
  {
    role: 'supervisor',
    brands: 'all',
    bodyLimit: 4_000_000,
    body: Joi.object({
      code: Joi.string()
        .trim()
        .uppercase()
        .pattern(/^[A-Z0-9]{1,6}$/)
        .required()
        .messages({ 'string.pattern.base': 'input/brand-code' }),
      name: name(80).required(),
      legalName: name(120).required(),
      addressLines: Joi.array().items(text(80)).min(1).max(6).required(),
      country: country.required(),
      taxNumber: text(40).allow('').default(''),
      banks: Joi.array().items(bank).max(6).default([]),
      senderName: name(80).required(),
      senderAddress: text(200).required(),
      pricesIncludeTax: Joi.boolean().default(false),
      logo: picture,
      colours,
      copyOf: id,
    }),
  },
  async ({ body, user }) => ({
    id: await addBrand({ ...body, logo: body.logo ? Buffer.from(body.logo, 'base64') : undefined }, user),
  }),
)
