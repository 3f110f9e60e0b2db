import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import type { OwnEmail } from '../../../../core/emailtexts/own-email'
import { writeOwnEmail } from '../../../services/line/own-email'

const addresses = Joi.array().items(text(320)).max(20).unique().required()

/** What the email of a prepared document says this once, with further copies; null is what the house says. */
export default route<{ id: number }, object, { revision: number; own: OwnEmail | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: Joi.object({
      revision: Joi.number().integer().required(),
      own: Joi.object({
        subject: text(300).required(),
        text: text(20_000).required(),
        cc: addresses,
        bcc: addresses,
      })
        .allow(null)
        .required(),
    }),
  },
  async ({ params, body, user }) => {
    await writeOwnEmail(params.id, body.revision, body.own, user)
    return { ok: true }
  },
)
