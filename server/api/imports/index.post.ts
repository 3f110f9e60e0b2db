import type { ImportSubject } from '../../../core/imports/subjects'
import { Joi, name } from '../../http/checks'
import { checkMayImport, importSubject } from './import.check'
import { route } from '../../http/route'
import { mostImportBytes, takeImport } from '../../services/imports/imports'

/** Takes a CSV of customers, items, orders, payments or rates; nothing is written before it is mapped and checked. */
export default route<object, { subject: ImportSubject; name: string }>(
  {
    role: 'clerk',
    brands: 'all',
    takesFile: true,
    bodyLimit: mostImportBytes,
    query: Joi.object({ subject: importSubject.required(), name: name(160).required() }),
  },
  async ({ query, bytes, user }) => {
    checkMayImport(user, query.subject)
    return { id: await takeImport(query.subject, query.name, bytes, user) }
  },
)
