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
  },
}

/** What stands where an address names no link; nobody's language is known there. */
export const noSuchLink =
  'There is nothing at this address. Perhaps a part of the link was lost: open it from the email once more.'
