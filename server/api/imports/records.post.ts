import type { ImportRecord } from '../../../core/imports/row'
import type { ImportSubject } from '../../../core/imports/subjects'
import { Joi } from '../../http/checks'
import { checkMayImport, importSubject, records } from './import.check'
import { route } from '../../http/route'
import { importRecords } from '../../services/imports/imports'

/**
 * Records of another program as JSON, by the same fields and checks as a file; an order is given line by
 * line. What is there already and the same is left as it is. Routines look at the orders' statuses only with
 * tellRoutines.
 */
export default route<
  object,
  object,
  { subject: ImportSubject; records: ImportRecord[]; tellRoutines: boolean }
>(
  {
    role: 'clerk',
    brands: 'all',
    body: Joi.object({
      subject: importSubject.required(),
      records,
      tellRoutines: Joi.boolean().default(false),
    }),
  },
  async ({ body, user }) => {
    checkMayImport(user, body.subject)
    return { records: await importRecords(body.subject, body.records, user, body.tellRoutines) }
  },
)
