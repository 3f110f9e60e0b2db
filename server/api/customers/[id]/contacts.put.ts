import type { ContactFacts } from '../../../../core/preferences/recipients'
import { id, idParam, Joi, name, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { changeContacts } from '../../../services/customers/contacts'

export default route<{ id: number }, object, { version: number; contacts: ContactFacts[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ customers: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      contacts: Joi.array()
        .max(50)
        .items(
          Joi.object({
            name: name(80).allow('').default(''),
            email: text(320).required(),
            role: Joi.valid('buying', 'billing', 'goods-in', 'anyone').required(),
          }),
        )
        .required(),
    }),
  },
  async ({ params, body, user }) => {
    await changeContacts(params.id, body.version, body.contacts, user)
    return { ok: true }
  },
)
