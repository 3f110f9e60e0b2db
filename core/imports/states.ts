import { lifecycle } from '../lifecycle'

/** A file of records, from taking it to its last row. */
export type ImportState = 'new' | 'checking' | 'checked' | 'writing' | 'done' | 'refused'

/** What happens to an import. */
export type ImportEvent =
  | 'check' /* a person mapped it */
  | 'refuse' /* the file cannot be read so */
  | 'end checking'
  | 'write' /* a person says that the right rows are to be written */
  | 'end writing'
  | 'mend' /* a wrong row was mended and waits to be written */

export const importLifecycle = lifecycle<ImportState, ImportEvent>({
  new: { check: 'checking' },
  checking: { refuse: 'refused', 'end checking': 'checked' },
  checked: { check: 'checking', write: 'writing', mend: 'checked' },
  writing: { 'end writing': 'done' },
  done: { write: 'writing', mend: 'checked' },
  refused: { check: 'checking' },
})
