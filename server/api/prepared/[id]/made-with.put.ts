import type { AsOnce } from '../../../../core/preferences/variants'
import { id, idParam, Joi, language, variantId } from '../../../http/checks'
import { route } from '../../../http/route'
import { makeWith } from '../../../services/line/made-with'

/** What a prepared document is made with this once; null makes it as its customer has it again. */
export default route<{ id: number }, object, { revision: number; asOnce: AsOnce | null }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ prepared: [params.id] }),
    params: idParam,
    body: Joi.object({
      revision: id.required(),
      asOnce: Joi.object({ language, text: variantId, design: variantId })
        .or('language', 'text', 'design')
        .allow(null)
        .required(),
    }),
  },
  async ({ params, body, user }) => {
    await makeWith(params.id, body.revision, body.asOnce, user)
    return { ok: true }
  },
)
