import type { Language } from '../money/format'

/** The fixed words of return notes. */
export interface ReturnWordList {
  returned: string
  reason: string
  /** In the column of the quantity. */
  goesBack: string
  until: string
  /** What the customer does, with a label of ours and without one. */
  withLabel: (day: string) => string
  withoutLabel: (day: string) => string
  sendTo: (address: string) => string
  code: string
}

export const returnWords: Readonly<Record<Language, ReturnWordList>> = {
  en: {
    returned: 'Return',
    reason: 'Reason',
    goesBack: 'Goes back',
    until: 'Send by',
    withLabel: (day) =>
      `Put this note in with the goods and stick the label on the parcel. The label costs you nothing and is good ` +
      `until ${day}.`,
    withoutLabel: (day) => `Put this note in with the goods and send them by ${day}.`,
    sendTo: (address) => `Send them to: ${address}`,
    code: 'Return',
  },
  de: {
    returned: 'Rücksendung',
    reason: 'Grund',
    goesBack: 'Geht zurück',
    until: 'Senden bis',
    withLabel: (day) =>
      `Legen Sie diesen Schein zur Ware und kleben Sie das Etikett auf das Paket. Das Etikett kostet Sie nichts und ` +
      `gilt bis ${day}.`,
    withoutLabel: (day) => `Legen Sie diesen Schein zur Ware und senden Sie sie bis ${day}.`,
    sendTo: (address) => `Senden Sie sie an: ${address}`,
    code: 'Rücksendung',
  },
  fr: {
    returned: 'Retour',
    reason: 'Motif',
    goesBack: 'Renvoyé',
    until: 'À renvoyer avant le',
    withLabel: (day) =>
      `Joignez ce bon aux marchandises et collez l’étiquette sur le colis. L’étiquette ne vous coûte rien et est ` +
      `valable jusqu’au ${day}.`,
    withoutLabel: (day) => `Joignez ce bon aux marchandises et renvoyez-les avant le ${day}.`,
    sendTo: (address) => `Envoyez-les à : ${address}`,
    code: 'Retour',
  },
}
