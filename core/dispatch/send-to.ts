import { asWritten, told, type Told } from '../said/told'

/** What is kept in place of an address: nobody to write to, paper, or a customer who wants none. */
export const noAddress = 'No address'
export const byPost = 'Paper, by post'
export const wantsNothing = 'Wants nothing'
/** In place of that, where it was issued and not sent. */
export const notSent = 'Not sent'

const kept: Readonly<Record<string, Told>> = {
  [noAddress]: told('to/no address'),
  [byPost]: told('to/paper'),
  [wantsNothing]: told('to/nothing'),
  [notSent]: told('to/not-sent'),
}

/** Whom a document goes to: an address with how many more, or what is said in place of one. */
export const toldSendTo = (sendTo: string): Told => kept[sendTo] ?? asWritten(sendTo)
