import { asWritten, told, type Told } from '../said/told'

/** Where answers to an email go: to the brand, an address, the salesperson, or the person who had it sent. */
export const answersTo = ['brand', 'address', 'salesperson', 'person'] as const
export type AnswersTo = (typeof answersTo)[number]

/**
 * Who an email shows as its sender.
 * @param brandName the brand's own sender
 */
export function toldSender(
  sender: { name: string; namesPerson: boolean; address: string },
  brandName: string,
): Told {
  const name = sender.name || brandName
  const who = sender.namesPerson ? told('sender/person', { name }) : asWritten(name)
  return sender.address ? told('sender/shown', { who, address: sender.address }) : who
}
