import { treatments } from '../../../core/documents/treatment'
import { percent } from '../drafts/draft.check'
import { country, id, idParam, Joi, language, text } from '../../http/checks'
import { route } from '../../http/route'
import { changeCustomer, type CustomerChange } from '../../services/customers/customers'
import { preferences } from './preference.check'

const billing = Joi.object({
  attention: text(80).allow(''),
  lines: Joi.array().items(text(80)).min(1).max(6).required(),
  country: country.required(),
}).allow(null)

const whole = (least: number, most: number) => Joi.number().integer().min(least).max(most)

const ofDay = { is: 'day of month', then: Joi.required(), otherwise: Joi.forbidden() }
/** n days; end of month and n days; a day of the nth month after; each with an early-payment discount or none. */
const terms = Joi.object({
  kind: Joi.valid('days', 'end of month', 'day of month').required(),
  days: whole(0, 365).when('kind', { is: 'day of month', then: Joi.forbidden(), otherwise: Joi.required() }),
  day: whole(1, 31).when('kind', ofDay),
  months: whole(0, 12).when('kind', ofDay),
  discount: Joi.object({ percent: percent.required(), days: whole(1, 365).required() }),
})

export default route<{ id: number }, object, CustomerChange>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ params }) => ({ customers: [params.id] }),
    params: idParam,
    body: Joi.object({
      version: id.required(),
      billing,
      language,
      preferences,
      treatment: Joi.valid(...treatments),
      terms,
      pricesIncludeTax: Joi.boolean().allow(null),
    }).or('billing', 'language', 'preferences', 'treatment', 'terms', 'pricesIncludeTax'),
  },
  async ({ params, body, user }) => {
    await changeCustomer(params.id, body, user)
    return { ok: true }
  },
)
