import type { StatementPeriod } from '../../../core/receivables/statement'
import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { prepareStatements, type AccountKey } from '../../services/receivables/statements'
import { account, period } from './statement.check'

/** Has the statements of one customer prepared now, one of each brand; they then wait in To check. */
export default route<object, object, { of: AccountKey; period: StatementPeriod }>(
  {
    role: 'clerk',
    brands: 'own',
    of: ({ body }) => ({ customers: [body.of.customerId] }),
    body: Joi.object({ of: account.required(), period: period.required() }),
  },
  async ({ body, user }) => ({ statements: await prepareStatements(body.of, body.period, user) }),
)
