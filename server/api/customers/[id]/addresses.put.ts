import { country, id, idParam, Joi, name, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { keepAddresses, type AddressEdit } from '../../../services/customers/addresses'
import { addressMail } from '../preference.check'

/** Replaces a customer's further addresses; those with an id stay the same ones. */
export default route<{ id: number }, object, { version: number; addresses: AddressEdit[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ customers: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      addresses: Joi.array()
        .max(200)
        .items(
          Joi.object({
            id: id.allow(null).default(null),
            purpose: Joi.valid('billing', 'delivery').required(),
            label: name(60).required(),
            address: Joi.object({
              name: name(120).allow(''),
              attention: text(80).allow(''),
              lines: Joi.array().items(text(80)).min(1).max(6).required(),
              country: country.required(),
            }).required(),
            mail: addressMail.default({}),
          }),
        )
        .required(),
    }),
  },
  async ({ params, body }) => {
    await keepAddresses(params.id, body.version, body.addresses)
    return { ok: true }
  },
)
