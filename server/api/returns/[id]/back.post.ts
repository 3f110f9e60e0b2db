import { day, decimal, id, idParam, Joi } from '../../../http/checks'
import { route } from '../../../http/route'
import { takeInAndCredit } from '../../../services/drafts/credit-return'
import type { CameBack } from '../../../services/shipping/return-changes'

/** Takes in what came back and, where that is wanted, drafts the credit notes for just that. */
export default route<{ id: number }, object, CameBack & { credit: boolean }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ sources: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      day: day.required(),
      lines: Joi.array()
        .items(Joi.object({ position: id.required(), quantity: decimal.required() }))
        .min(1)
        .max(1000)
        .required(),
      /** Credit notes are drafted for it. */
      credit: Joi.boolean().default(true),
    }),
  },
  ({ params, body, user }) => takeInAndCredit(params.id, body, user),
)
