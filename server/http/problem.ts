import { Refusal } from '../../core/errors'

/** A refusal as the API answers it (RFC 9457): its sentence in English, and what a sentence can be made of. */
export const problemOf = ({ code, says, values, message, status, about }: Refusal) => ({
  type: `urn:clothespin:${code}`,
  status,
  code,
  says,
  values,
  title: message,
  about,
})

/** A fault of ours, by the number under which it is in the log. */
export const troubleOf = (number: string): Refusal =>
  new Refusal('trouble', { values: { number }, status: 500 })
