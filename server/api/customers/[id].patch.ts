import { treatments } from '../../../core/documents/treatment'
import { address, country, currency, id, idParam, Joi, language, name, terms, text } from '../../http/checks'
import { route } from '../../http/route'
import { changeCustomer, type CustomerChange } from '../../services/customers/customers'
import { addressMail, preferences } from './preference.check'

export default route<{ id: number }, object, CustomerChange>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ customers: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      number: name(30),
      name: name(120),
      groupName: name(60).allow(''),
      country,
      currency,
      taxNumber: text(40).allow(''),
      salesperson: name(80).allow(''),
      billingMail: addressMail,
      fields: Joi.object().pattern(text(60), text(200).allow('')),
      needs: Joi.object({
        reference: Joi.boolean().required(),
        fields: Joi.array().items(text(60)).max(30).unique().required(),
      }),
      linkCode: name(40).allow(''),
      billing: address,
      language,
      preferences,
      treatment: Joi.valid(...treatments),
      terms,
      pricesIncludeTax: Joi.boolean().allow(null),
    }),
  },
  async ({ params, body, user }) => {
    await changeCustomer(params.id, body, user)
    return { ok: true }
  },
)
