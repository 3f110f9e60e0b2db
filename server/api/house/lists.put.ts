import { languages } from '../../../core/money/format'
import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { changeHouseLists, type HouseLists } from '../../services/orders/house-lists'

const lists = Joi.object({
  statuses: Joi.array().items(name(40)).max(40).unique().required(),
  steps: Joi.object()
    .pattern(name(40), Joi.array().items(name(40)).max(40).unique())
    .default({}),
  words: Joi.object()
    .pattern(name(40), Joi.object(Object.fromEntries(languages.map((one) => [one, name(80).allow('')]))))
    .default({}),
})

/** Changes them, from how they were on the screen; what is used cannot be taken away. */
export default route<object, object, { before: HouseLists; now: HouseLists }>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({ before: lists.required(), now: lists.required() }),
  },
  async ({ body }) => {
    await changeHouseLists(body.before, body.now)
    return { ok: true }
  },
)
