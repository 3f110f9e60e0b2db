import type { ContactFacts } from '../../../../core/preferences/recipients'
import { id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { contacts } from '../contact.check'
import { changeContacts } from '../../../services/customers/contacts'

export default route<{ id: number }, object, { version: number; contacts: ContactFacts[] }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ customers: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      contacts: contacts.required(),
    }),
  },
  async ({ params, body, user }) => {
    await changeContacts(params.id, body.version, body.contacts, user)
    return { ok: true }
  },
)
