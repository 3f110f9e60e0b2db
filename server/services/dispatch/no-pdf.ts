import { Refusal } from '../../../core/errors'

/** Of a document that came over from the program before this one, and brought none. */
export const noPdf = (): Refusal =>
  new Refusal(
    'no-pdf',
    'It came without a PDF from the program before. Bring it in a ZIP: Accounts, open items of the earlier program.',
    { status: 404 },
  )
