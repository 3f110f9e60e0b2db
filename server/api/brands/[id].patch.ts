import { languages } from '../../../core/money/format'
import { paymentMethods } from '../../../core/documents/facts'
import { bank, country, id, idParam, Joi, name, text } from '../../http/checks'
import { route } from '../../http/route'
import { changeBrand, type BrandChange } from '../../services/house/change'

const some = (most: number) => text(most).allow('').default('')

export default route<{ id: number }, object, BrandChange>(
  {
    role: 'supervisor',
    brands: 'own',
    of: ({ params }) => ({ brands: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      name: name(80).required(),
      legalName: name(120).required(),
      addressLines: Joi.array().items(text(80)).min(1).max(6).required(),
      country: country.required(),
      phone: some(40),
      email: some(120),
      website: some(120),
      registration: some(160),
      taxNumber: some(40),
      withoutTaxNumber: Joi.object(Object.fromEntries(languages.map((one) => [one, some(200)]))).default({}),
      banks: Joi.array().items(bank).max(12).required(),
      senderName: name(80).required(),
      senderAddress: text(320).required(),
      replyTo: text(320).required(),
      pricesIncludeTax: Joi.boolean().default(false),
      methods: Joi.array()
        .items(Joi.valid(...paymentMethods))
        .unique()
        .default([]),
    }),
  },
  async ({ params, body, user }) => {
    await changeBrand(params.id, body, user)
    return { ok: true }
  },
)
