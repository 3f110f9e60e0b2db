import type { OwnEmail } from '../../../../core/emailtexts/own-email'
import { idParam, Joi, text } from '../../../http/checks'
import { route } from '../../../http/route'
import { sendCopy, type CopyPurpose } from '../../../services/line/copy'
import { ownEmail } from '../../prepared/own-email.check'
import { chosenText, copyPurpose } from '../copy.check'

interface Body {
  address: string
  purpose: CopyPurpose
  again: boolean
  own: OwnEmail | null
  text: number | null
}

/** Sends the stored PDF once more, to one address; null is what the house says with a copy. */
export default route<{ id: number }, object, Body>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    body: Joi.object({
      address: text(320).required(),
      purpose: copyPurpose,
      again: Joi.boolean().default(false),
      own: ownEmail.allow(null).default(null),
      text: chosenText,
    }),
  },
  async ({ params, body, user }) => ({ dispatchId: await sendCopy(params.id, body, user) }),
)
