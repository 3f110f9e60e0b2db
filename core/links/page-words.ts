import type { Language } from '../money/format'

/** What the page behind a link says. */
export interface LinkPageWords {
  download: string
  until: (day: string) => string
  /** How often it can still be had. */
  left: (times: number) => string
  code: string
  wrongCode: string
  over: (day: string) => string
  ended: string
  usedUp: string
  withdrawn: string
  ask: (address: string) => string
  /** Order updates: what they are called, what happens, the button, and what was done. */
  updates: string
  updatesStop: (brand: string) => string
  noMoreUpdates: string
  updatesStopped: (brand: string) => string
}

export const linkPageWords: Readonly<Record<Language, LinkPageWords>> = {
  en: {
    download: 'Download',
    until: (day) => `Here until ${day}.`,
    left: (times) =>
      times === 1 ? 'It can be downloaded once more.' : `It can be downloaded ${times} more times.`,
    code: 'The code you were given',
    wrongCode: 'That is not the code.',
    over: (day) => `This link was good until ${day}.`,
    ended: 'The sender has ended this link.',
    usedUp: 'It was downloaded as often as was agreed.',
    withdrawn: 'The sender has withdrawn this document.',
    ask: (address) => `Write to ${address} if you need it.`,
    updates: 'Order updates',
    updatesStop: (brand) =>
      `${brand} tells you by email how your orders stand. ` +
      'You can have no more of these emails. Invoices and other documents still come.',
    noMoreUpdates: 'No more order updates',
    updatesStopped: (brand) =>
      `${brand} sends you no more order updates. Invoices and other documents still come.`,
  },
  de: {
    download: 'Herunterladen',
    until: (day) => `Hier bis ${day}.`,
    left: (times) =>
      times === 1
        ? 'Es kann noch einmal heruntergeladen werden.'
        : `Es kann noch ${times} Mal heruntergeladen werden.`,
    code: 'Der Code, den Sie bekommen haben',
    wrongCode: 'Das ist nicht der Code.',
    over: (day) => `Dieser Link galt bis ${day}.`,
    ended: 'Der Absender hat diesen Link beendet.',
    usedUp: 'Es wurde so oft heruntergeladen wie vereinbart.',
    withdrawn: 'Der Absender hat dieses Dokument zurückgezogen.',
    ask: (address) => `Schreiben Sie an ${address}, wenn Sie es brauchen.`,
    updates: 'Neues zu Ihren Aufträgen',
    updatesStop: (brand) =>
      `${brand} schreibt Ihnen, wie Ihre Aufträge stehen. ` +
      'Sie können diese E-Mails abbestellen. Rechnungen und andere Dokumente kommen weiterhin.',
    noMoreUpdates: 'Abbestellen',
    updatesStopped: (brand) =>
      `${brand} schreibt Ihnen nicht mehr, wie Ihre Aufträge stehen. ` +
      'Rechnungen und andere Dokumente kommen weiterhin.',
  },
  fr: {
    download: 'Télécharger',
    until: (day) => `Disponible jusqu’au ${day}.`,
    left: (times) =>
      times === 1
        ? 'Il peut encore être téléchargé une fois.'
        : `Il peut encore être téléchargé ${times} fois.`,
    code: 'Le code qui vous a été donné',
    wrongCode: 'Ce n’est pas le bon code.',
    over: (day) => `Ce lien était valable jusqu’au ${day}.`,
    ended: 'L’expéditeur a mis fin à ce lien.',
    usedUp: 'Il a été téléchargé autant de fois que convenu.',
    withdrawn: 'L’expéditeur a retiré ce document.',
    ask: (address) => `Écrivez à ${address} si vous en avez besoin.`,
    updates: 'Suivi de vos commandes',
    updatesStop: (brand) =>
      `${brand} vous écrit où en sont vos commandes. Vous pouvez ne plus recevoir ces messages. ` +
      'Les factures et autres documents continuent d’arriver.',
    noMoreUpdates: 'Ne plus recevoir ces messages',
    updatesStopped: (brand) =>
      `${brand} ne vous écrit plus où en sont vos commandes. ` +
      'Les factures et autres documents continuent d’arriver.',
  },
}

/** What stands where an address names no link; nobody's language is known there. */
export const noSuchLink =
  'There is nothing at this address. Perhaps a part of the link was lost: open it from the email once more.'
