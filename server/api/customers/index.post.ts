import { treatments } from '../../../core/documents/treatment'
import { address, country, currency, Joi, language, name, terms, text } from '../../http/checks'
import { route } from '../../http/route'
import { addCustomer, type NewCustomer } from '../../services/customers/add-customer'
import { contacts } from './contact.check'

/** A new customer; what is left out is as the group or the company has it. */
export default route<object, object, NewCustomer>(
  {
    role: 'clerk',
    brands: 'none',
    body: Joi.object({
      number: name(30).allow(''),
      name: name(120).required(),
      groupName: name(60).allow('').default(''),
      language,
      currency,
      country: country.required(),
      billing: address.default(null),
      taxNumber: text(40).allow('').default(''),
      treatment: Joi.valid(...treatments),
      terms,
      salesperson: name(80).allow('').default(''),
      contacts: contacts.default([]),
    }),
  },
  ({ body }) => addCustomer(body),
)
