/** Where answers to an email go: to the brand, an address, the salesperson, or the person who had it sent. */
export const answersTo = ['brand', 'address', 'salesperson', 'person'] as const
export type AnswersTo = (typeof answersTo)[number]

/** As a clerk reads it, after "Answers go to". */
export const answersToWords: Record<AnswersTo, string> = {
  brand: "the brand's address",
  address: 'another address',
  salesperson: 'the salesperson',
  person: 'whoever sends it',
}

/**
 * Who an email shows as its sender.
 * @param brandName the brand's own sender
 */
export function fromWords(
  sender: { name: string; namesPerson: boolean; address: string },
  brandName: string,
): string {
  const name = sender.name || brandName
  const who = sender.namesPerson ? `whoever sends it, ${name}` : name
  return sender.address ? `${who} <${sender.address}>` : who
}
