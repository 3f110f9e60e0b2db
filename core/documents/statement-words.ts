import type { Language } from '../money/format'
import type { AgeingStep } from '../receivables/ageing'
import type { EntryKind } from '../receivables/statement'
import type { DocumentKind } from './kinds'

/** The fixed words of statements of account. */
export interface StatementWordList {
  /** Before the day on which the items are open, and before the time that it tells of. */
  until: string
  period: string
  fromTo: (from: string, until: string) => string
  document: string
  what: string
  due: string
  day: string
  amount: string
  open: string
  balance: string
  opening: string
  debits: string
  credits: string
  overdue: string
  owed: string
  favour: string
  nothingOpen: string
  late: (days: number) => string
  dueOn: (day: string) => string
  disputed: string
  promised: (day: string) => string
  /** What was booked and is no document. */
  entries: Record<Exclude<EntryKind, DocumentKind>, string>
  /** What a reminder booked, and what it asks for beside the items that are past due. */
  charges: string
  overdueItems: string
  interestUntil: (day: string) => string
  fee: string
  onAccount: string
  ageing: Record<AgeingStep, string>
  /** Credit notes and payments that settle nothing yet. */
  unused: string
  /** What is past due, and what is to be paid where nothing is. */
  payOverdue: (amount: string) => string
  payAsDue: (amount: string) => string
  /** Where the house collects it by direct debit. */
  collected: string
  /** Before what the payer wrote. */
  reference: (words: string) => string
  nameUs: (customerNumber: string) => string
  /** The slip that is sent back with a payment, and what the payer writes in it. */
  slip: { title: string; paid: string; paidOn: string; how: string }
  carried: string
  broughtForward: string
}

export const statementWords: Readonly<Record<Language, StatementWordList>> = {
  en: {
    until: 'Open on',
    period: 'Period',
    fromTo: (from, until) => `${from} to ${until}`,
    document: 'Document',
    what: 'For',
    due: 'Due',
    day: 'Date',
    amount: 'Amount',
    open: 'Open',
    balance: 'Balance',
    opening: 'Balance before',
    debits: 'Invoiced and refunded',
    credits: 'Paid and credited',
    overdue: 'of which past due',
    owed: 'Balance to pay',
    favour: 'Balance in your favour',
    nothingOpen: 'Balance',
    late: (days) => (days === 1 ? '1 day late' : `${days} days late`),
    dueOn: (day) => `due ${day}`,
    disputed: 'disputed',
    promised: (day) => `payment promised for ${day}`,
    entries: {
      payment: 'Payment',
      refund: 'Refund',
      discount: 'Early-payment discount',
      waived: 'Difference waived',
      transfer: 'Settled by another of our brands',
    },
    charges: 'Fee and interest',
    overdueItems: 'Past due',
    interestUntil: (day) => `Interest until ${day}`,
    fee: 'Reminder fee',
    onAccount: 'not yet set against an invoice',
    ageing: {
      'not due': 'Not due',
      '1–30': '1–30 days',
      '31–60': '31–60 days',
      '61–90': '61–90 days',
      'over 90': 'Over 90 days',
    },
    unused: 'Credits',
    payOverdue: (amount) => `Please pay ${amount}, which is past due`,
    payAsDue: (amount) => `Please pay ${amount} as it falls due`,
    collected: 'What falls due is collected from your account by direct debit',
    reference: (words) => `reference ${words}`,
    slip: {
      title: 'Please send this back with your payment',
      paid: 'Amount paid',
      paidOn: 'Paid on',
      how: 'By bank transfer or cheque',
    },
    nameUs: (number) => `Give your customer number ${number} with the payment.`,
    carried: 'Carried forward',
    broughtForward: 'Brought forward',
  },
  de: {
    until: 'Offen am',
    period: 'Zeitraum',
    fromTo: (from, until) => `${from} bis ${until}`,
    document: 'Beleg',
    what: 'Für',
    due: 'Fällig',
    day: 'Datum',
    amount: 'Betrag',
    open: 'Offen',
    balance: 'Saldo',
    opening: 'Saldo zuvor',
    debits: 'Berechnet und erstattet',
    credits: 'Bezahlt und gutgeschrieben',
    overdue: 'davon überfällig',
    owed: 'Saldo zu zahlen',
    favour: 'Saldo zu Ihren Gunsten',
    nothingOpen: 'Saldo',
    late: (days) => (days === 1 ? 'seit 1 Tag fällig' : `seit ${days} Tagen fällig`),
    dueOn: (day) => `fällig am ${day}`,
    disputed: 'wird geklärt',
    promised: (day) => `Zahlung zugesagt für ${day}`,
    entries: {
      payment: 'Zahlung',
      refund: 'Erstattung',
      discount: 'Skonto',
      waived: 'Differenz erlassen',
      transfer: 'Über eine andere unserer Marken beglichen',
    },
    charges: 'Mahngebühr und Zinsen',
    overdueItems: 'Überfällig',
    interestUntil: (day) => `Verzugszinsen bis ${day}`,
    fee: 'Mahngebühr',
    onAccount: 'noch keiner Rechnung zugeordnet',
    ageing: {
      'not due': 'Nicht fällig',
      '1–30': '1–30 Tage',
      '31–60': '31–60 Tage',
      '61–90': '61–90 Tage',
      'over 90': 'Über 90 Tage',
    },
    unused: 'Guthaben',
    payOverdue: (amount) => `Bitte zahlen Sie die überfälligen ${amount}`,
    payAsDue: (amount) => `Bitte zahlen Sie ${amount} bei Fälligkeit`,
    collected: 'Was fällig wird, buchen wir per Lastschrift von Ihrem Konto ab',
    reference: (words) => `Verwendungszweck ${words}`,
    slip: {
      title: 'Bitte mit Ihrer Zahlung zurücksenden',
      paid: 'Gezahlter Betrag',
      paidOn: 'Gezahlt am',
      how: 'Per Überweisung oder Scheck',
    },
    nameUs: (number) => `Bitte geben Sie bei der Zahlung Ihre Kundennummer ${number} an.`,
    carried: 'Übertrag',
    broughtForward: 'Übertrag',
  },
  fr: {
    until: 'Ouvert au',
    period: 'Période',
    fromTo: (from, until) => `du ${from} au ${until}`,
    document: 'Pièce',
    what: 'Pour',
    due: 'Échéance',
    day: 'Date',
    amount: 'Montant',
    open: 'Reste dû',
    balance: 'Solde',
    opening: 'Solde antérieur',
    debits: 'Facturé et remboursé',
    credits: 'Réglé et crédité',
    overdue: 'dont échu',
    owed: 'Solde à régler',
    favour: 'Solde en votre faveur',
    nothingOpen: 'Solde',
    late: (days) => (days === 1 ? 'échue depuis 1 jour' : `échue depuis ${days} jours`),
    dueOn: (day) => `échéance ${day}`,
    disputed: 'contestée',
    promised: (day) => `règlement promis pour le ${day}`,
    entries: {
      payment: 'Règlement',
      refund: 'Remboursement',
      discount: 'Escompte',
      waived: 'Écart abandonné',
      transfer: 'Réglé par une autre de nos marques',
    },
    charges: 'Frais et intérêts',
    overdueItems: 'Échu',
    interestUntil: (day) => `Intérêts de retard jusqu’au ${day}`,
    fee: 'Frais de rappel',
    onAccount: 'pas encore imputé à une facture',
    ageing: {
      'not due': 'Non échu',
      '1–30': '1–30 jours',
      '31–60': '31–60 jours',
      '61–90': '61–90 jours',
      'over 90': 'Plus de 90 jours',
    },
    unused: 'Avoirs',
    payOverdue: (amount) => `Merci de régler ${amount}, déjà échus`,
    payAsDue: (amount) => `Merci de régler ${amount} à l’échéance`,
    collected: 'Ce qui arrive à échéance est prélevé sur votre compte',
    reference: (words) => `référence ${words}`,
    slip: {
      title: 'À nous retourner avec votre règlement',
      paid: 'Montant réglé',
      paidOn: 'Réglé le',
      how: 'Par virement ou par chèque',
    },
    nameUs: (number) => `Indiquez votre numéro de client ${number} lors du règlement.`,
    carried: 'À reporter',
    broughtForward: 'Report',
  },
}
