import { Refusal } from '../../../core/errors'

/** Of a document that came over from the program before this one, and brought none. */
export const noPdf = (): Refusal => new Refusal('no-pdf', { status: 404 })

/** Of what came over as well: what we would draw of it was never sent to anybody. */
export const notOursToDraw = (number: string): Refusal => new Refusal('not-ours', { values: { number } })
