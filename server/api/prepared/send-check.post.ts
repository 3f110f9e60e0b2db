import { decimal, id, Joi, kind, text } from '../../http/checks'
import { route } from '../../http/route'
import { checkSend } from '../../services/documents/send-check'
import type { Matching } from '../../services/documents/send-run'

interface Check {
  papers?: { id: number; revision: number }[]
  matching?: Matching
  postOnly: boolean
  withoutAddress: boolean
}

/**
 * What a Send of these documents, or of all that match, would do now: how many go in how many emails, and
 * what is left out and why. Changes nothing.
 */
export default route<object, object, Check>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ body }) => ({ prepared: body.papers?.map((one) => one.id) }),
    body: Joi.object({
      papers: Joi.array()
        .items(Joi.object({ id: id.required(), revision: id.required() }))
        .min(1)
        .max(5000),
      matching: Joi.object({ kind, brand: text(10), over: decimal, search: text(100).allow('') }),
      postOnly: Joi.boolean().default(false),
      withoutAddress: Joi.boolean().default(false),
    }).xor('papers', 'matching'),
  },
  ({ body, user }) =>
    checkSend(
      body.papers ? { papers: body.papers } : { matching: body.matching! },
      {
        postOnly: body.postOnly,
        withoutAddress: body.withoutAddress,
        senderId: user.id,
      },
      user,
    ),
)
