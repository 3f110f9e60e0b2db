import type { Language } from '../../../core/money/format'
import type { Wishes } from '../../../core/wishes/recipients'
import { id, Joi, language } from '../../checks'
import { route } from '../../route'
import { restoreWishes } from '../../services/customers/customers'
import { wishes } from '../../wish-check'

/** Undo of wishes set for many. */
export default route<object, object, { before: { id: number; wishes: Wishes; language: Language }[] }>(
  {
    role: 'clerk',
    body: Joi.object({
      before: Joi.array()
        .items(Joi.object({ id: id.required(), wishes: wishes.required(), language: language.required() }))
        .min(1)
        .max(5000)
        .required(),
    }),
  },
  async ({ body }) => {
    await restoreWishes(body.before)
    return { ok: true }
  },
)
