import { fieldsOf } from '../../../core/imports/fields'
import type { ImportField } from '../../../core/imports/field'
import { importSubjects, type ImportSubject } from '../../../core/imports/subjects'
import { route } from '../../http/route'
import { ownFields } from '../../services/fields/own-fields'

/** The fields of each kind of record, with the house's own: their stable keys, what they hold, which are needed. */
export default route({ role: 'reader', brands: 'none' }, async () => {
  const own = await ownFields()
  return Object.fromEntries(
    importSubjects.map((subject) => [subject, fieldsOf(subject, own)]),
  ) as unknown as Record<ImportSubject, readonly ImportField[]> // fromEntries knows no keys
})
