import { day, idParam, Joi, text } from '../../http/checks'
import { route } from '../../http/route'
import { markItem } from '../../services/receivables/accounts'

/** Marks an open item as disputed, or with the day that payment is promised for. */
export default route<{ id: number }, object, { dispute?: string; promisedOn?: string | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({ dispute: text(200).allow(''), promisedOn: day.allow(null) }).or(
      'dispute',
      'promisedOn',
    ),
  },
  async ({ params, body, user }) => {
    await markItem(params.id, body, user)
    return { ok: true }
  },
)
