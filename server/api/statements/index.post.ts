import type { StatementPeriod } from '../../../core/receivables/statement'
import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import type { AccountFilter } from '../../services/receivables/accounts'
import { startStatements, type AccountKey } from '../../services/receivables/statements'
import { accountFilter } from '../accounts/filter.check'
import { account, period } from './statement.check'

type Body = {
  period: StatementPeriod
  these?: AccountKey[]
  /** Of those chosen one by one: of this brand alone. */
  brand?: string
  matching?: Omit<AccountFilter, 'sort' | 'descending' | 'limit'>
  but: AccountKey[]
}

/** Has statements prepared of many accounts: chosen, or all that match but some. They then wait in To check. */
export default route<object, object, Body>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ customers: (body.these ?? []).map((one) => one.customerId) }),
    body: Joi.object({
      period: period.required(),
      these: Joi.array().items(account).min(1).max(5000),
      brand: name(20),
      matching: Joi.object(accountFilter),
      but: Joi.array().items(account).max(5000).default([]),
    }).xor('these', 'matching'),
  },
  async ({ body, user }) => {
    const all = { sort: 'name', descending: false, limit: 1 } as const
    const chosen = body.these
      ? { these: body.these, brand: body.brand }
      : { matching: { ...body.matching, ...all }, but: body.but }
    return { id: await startStatements(chosen, body.period, user) }
  },
)
