import { begunRow } from './queries'

/** How far the first visit has come: nobody works here yet; no company or brand yet; or it is done. */
export type Begun = 'nobody' | 'no company' | 'no brand' | 'ready'

export async function howFar(): Promise<Begun> {
  const { staff, company, brand } = (await begunRow())!
  return !staff ? 'nobody' : !company ? 'no company' : !brand ? 'no brand' : 'ready'
}
