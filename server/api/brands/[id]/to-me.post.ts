import type { DocumentKind } from '../../../../core/documents/kinds'
import { idParam, Joi, kind } from '../../../checks'
import { route } from '../../../route'
import { sendSampleToMe } from '../../../services/documents/rehearse'

/** The brand's sample paper with its email, watermarked, to whoever asks. */
export default route<{ id: number }, object, { kind: DocumentKind }>(
  { role: 'clerk', params: idParam, body: Joi.object({ kind: kind.default('invoice') }) },
  async ({ params, body, user }) => {
    await sendSampleToMe(params.id, body.kind, user)
    return { to: user.email }
  },
)
