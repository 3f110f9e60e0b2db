import { Refusal } from '../../../core/errors'

/** Of a document that came over from the program before this one, and brought none. */
export const noPdf = (): Refusal =>
  new Refusal(
    'no-pdf',
    'It came without a PDF from the program before. Bring it in a ZIP: Accounts, open items of the earlier program.',
    { status: 404 },
  )

/** Of what came over as well: what we would draw of it was never sent to anybody. */
export const notOursToDraw = (number: string): Refusal =>
  new Refusal(
    'not-ours',
    `${number} came over from the program before, so it is not drawn here. Save the PDF that came with it instead.`,
  )
