import { asWritten, told, type Told } from '../said/told'

/** Why everything is paused where no person paused it. */
const known = {
  notSetUp: told('pause/not-set-up'),
  copied: told('pause/copied'),
  confirmed: told('pause/confirmed'),
}

/** The same as the company's row keeps it. */
export const pauses = {
  notSetUp: known.notSetUp.words,
  copied: known.copied.words,
  confirmed: known.confirmed.words,
} as const

/** Why everything is paused: in a person's words, or by itself. */
export const toldPause = (reason: string): Told =>
  Object.values(known).find(({ words }) => words === reason) ?? asWritten(reason)
