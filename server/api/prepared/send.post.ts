import { paymentMethods, type PaymentMethod } from '../../../core/documents/facts'
import { decimal, id, Joi, kind, text } from '../../http/checks'
import { route } from '../../http/route'
import { startMatchingRun, startRun, type Matching } from '../../services/documents/send-run'

interface Send {
  papers?: { id: number; revision: number }[]
  matching?: Matching
  count?: number
  key: string
  postOnly: boolean
  withoutAddress: boolean
  despite: boolean
  paidBy?: PaymentMethod
}

/**
 * Sends papers as they were looked at, or all that match a filter; the same key never sends twice. With
 * postOnly they are issued and left for a routine on posting, or for a person, to send; with paidBy their
 * payment is booked with them.
 * Left out, unless said otherwise: what has nobody to write to (withoutAddress issues it all the same), and
 * what belongs to a held or withdrawn order (despite, for one alone).
 */
export default route<object, object, Send>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ prepared: body.papers?.map((one) => one.id) }),
    body: Joi.object({
      papers: Joi.array()
        .items(Joi.object({ id: id.required(), revision: id.required() }))
        .min(1)
        .max(5000),
      key: Joi.string().guid().required(),
      postOnly: Joi.boolean().default(false),
      withoutAddress: Joi.boolean().default(false),
      despite: Joi.boolean().default(false),
      paidBy: Joi.valid(...paymentMethods),
      matching: Joi.object({ kind, brand: text(10), over: decimal, search: text(100).allow('') }),
      count: id,
    })
      .xor('papers', 'matching')
      .with('matching', 'count'),
  },
  async ({ body, user }) => ({
    runId: body.papers
      ? await startRun(body.papers, body.key, user, body)
      : await startMatchingRun(body.matching!, body.count!, body.key, user, body),
  }),
)
