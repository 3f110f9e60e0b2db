import type { TrialBalance } from '../../../core/receivables/trial-balance'
import { currency, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepTrialBalance } from '../../services/receivables/take-over'

const side = Joi.object({
  count: Joi.number().integer().min(0).max(10_000_000).required(),
  sum: Joi.string()
    .pattern(/^-?\d{1,12}(\.\d{1,4})?$/)
    .required()
    .messages({ 'string.pattern.base': 'input/large-amount' }),
})

/** Keeps what the earlier program says was open, by currency. */
export default route<object, object, { balance: TrialBalance }>(
  {
    role: 'clerk',
    brands: 'all',
    body: Joi.object({ balance: Joi.object().pattern(currency, side).max(40).required() }),
  },
  async ({ body }) => {
    await keepTrialBalance(body.balance)
    return { ok: true }
  },
)
