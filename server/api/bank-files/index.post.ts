import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { mostBankBytes, takeBankFile } from '../../services/receivables/bank'

/** Takes a bank statement (ISO 20022 camt.053) and has it read and matched. */
export default route<object, { name: string }>(
  {
    role: 'clerk',
    brands: 'all',
    takesFile: true,
    bodyLimit: mostBankBytes,
    query: Joi.object({ name: name(160).required() }),
  },
  async ({ query, bytes, user }) => ({ id: await takeBankFile(query.name, bytes, user) }),
)
