import type { Language } from '../money/format'
import type { PaymentMethod } from './facts'

/** The fixed words of papers. */
export interface PaperWordList {
  date: string
  supplied: string
  due: string
  order: string
  reference: string
  customer: string
  taxNumber: string
  item: string
  description: string
  quantity: string
  price: string
  tax: string
  net: string
  gross: string
  base: string
  taxAmount: string
  includedTax: string
  lines: string
  total: string
  prepaid: string
  toPay: string
  nothingToPay: string
  payTitle: (amount: string, date: string) => string
  /** Where the house collects it, in place of what asks for it. */
  collected: (amount: string, due: string) => string
  mandate: (reference: string) => string
  payTo: (name: string) => string
  payReference: (reference: string) => string
  scan: string
  early: (percent: string, date: string, amount: string) => string
  page: string
  continued: string
  rehearsal: string
  attention: string
  deliveredTo: (address: string) => string
  /** Rows of a credit note and of a final invoice. */
  ofInvoice: string
  /** Before the number of the confirmation that this one takes the place of. */
  replaces: string
  reason: string
  credited: string
  share: string
  ofDay: (number: string, date: string) => string
  creditOn: (number: string) => string
  deposit: (number: string, date: string) => string
  depositRate: (rate: string, base: string, tax: string) => string
  depositLine: (percent: string) => string
  taxAtHome: (tax: string, currency: string, rate: string, source: string, date: string) => string
  accepted: (methods: string) => string
  receipt: ReceiptWordList
  /** Across a paper that was made again from what was issued. */
  copy: string
  /** Before the sender's own tax number. */
  ownTaxNumber: string
  pricesInclude: string
}

/** The fixed words of payment and refund receipts. */
export interface ReceiptWordList {
  methods: Record<PaymentMethod, string>
  method: string
  document: string
  what: string
  amount: string
  received: string
  refunded: string
  onAccount: string
  discount: (amount: string) => string
  writtenOff: (amount: string) => string
  stillOpen: (amount: string) => string
}

export const paperWords: Record<Language, PaperWordList> = {
  en: {
    date: 'Date',
    supplied: 'Date of supply',
    due: 'Due',
    order: 'Our order',
    reference: 'Your reference',
    customer: 'Customer',
    taxNumber: 'Your VAT no.',
    item: 'Item',
    description: 'Description',
    quantity: 'Qty',
    price: 'Price',
    tax: 'VAT',
    net: 'Net',
    gross: 'Amount',
    base: 'Base',
    taxAmount: 'Tax',
    includedTax: 'of which VAT',
    lines: 'Sum of lines',
    total: 'Total',
    prepaid: 'Already paid',
    toPay: 'To pay',
    nothingToPay: 'Nothing to pay',
    payTitle: (amount, date) => `Please pay ${amount} by ${date}`,
    collected: (amount, due) => `We collect ${amount} from your account by direct debit on ${due}`,
    mandate: (reference) => `Mandate reference ${reference}`,
    payTo: (name) => `to ${name}`,
    payReference: (reference) => `Reference ${reference}`,
    scan: 'Scan the code with your bank’s app, or give the reference.',
    early: (percent, date, amount) => `${percent} discount when paid by ${date}: ${amount}.`,
    page: 'Page {page} of {pages}',
    continued: 'continued',
    rehearsal: 'REHEARSAL',
    attention: 'Attn',
    deliveredTo: (address) => `Delivery to: ${address}`,
    ofInvoice: 'To invoice',
    replaces: 'Replaces',
    reason: 'Reason',
    credited: 'Credited',
    share: 'Share of discounts and charges',
    ofDay: (number, date) => `${number} of ${date}`,
    creditOn: (number) => `Credit on invoice ${number}`,
    deposit: (number, date) => `Deposit invoice ${number} of ${date}`,
    depositRate: (rate, base, tax) => `net ${base}, VAT ${rate} ${tax}`,
    depositLine: (percent) => `Deposit, ${percent} of the order`,
    taxAtHome: (tax, currency, rate, source, date) =>
      `VAT in ${currency}: ${tax}, at ${rate} (${source}, ${date}).`,
    ownTaxNumber: 'VAT no.',
    pricesInclude: 'Prices include VAT.',
    copy: 'COPY',
    accepted: (methods) => `We take: ${methods}.`,
    receipt: {
      methods: {
        'bank transfer': 'Bank transfer',
        card: 'Card',
        cash: 'Cash',
        cheque: 'Cheque',
        'direct debit': 'Direct debit',
        other: 'Other',
      },
      method: 'Paid by',
      document: 'Document',
      what: 'For',
      amount: 'Amount',
      received: 'Received',
      refunded: 'Refunded',
      onAccount: 'Kept on your account',
      discount: (amount) => `early-payment discount ${amount}`,
      writtenOff: (amount) => `difference waived ${amount}`,
      stillOpen: (amount) => `still open ${amount}`,
    },
  },
  de: {
    date: 'Datum',
    supplied: 'Leistungsdatum',
    due: 'Fällig',
    order: 'Unser Auftrag',
    reference: 'Ihr Zeichen',
    customer: 'Kunde',
    taxNumber: 'Ihre USt-IdNr.',
    item: 'Artikel',
    description: 'Bezeichnung',
    quantity: 'Menge',
    price: 'Preis',
    tax: 'USt',
    net: 'Netto',
    gross: 'Betrag',
    base: 'Netto',
    taxAmount: 'Steuer',
    includedTax: 'darin USt',
    lines: 'Summe der Positionen',
    total: 'Gesamtbetrag',
    prepaid: 'Bereits bezahlt',
    toPay: 'Zu zahlen',
    nothingToPay: 'Nichts zu zahlen',
    payTitle: (amount, date) => `Bitte zahlen Sie ${amount} bis ${date}`,
    collected: (amount, due) => `Wir buchen ${amount} am ${due} per Lastschrift von Ihrem Konto ab`,
    mandate: (reference) => `Mandatsreferenz ${reference}`,
    payTo: (name) => `an ${name}`,
    payReference: (reference) => `Verwendungszweck ${reference}`,
    scan: 'Code mit der Banking-App lesen oder den Verwendungszweck angeben.',
    early: (percent, date, amount) => `${percent} Skonto bei Zahlung bis ${date}: ${amount}.`,
    page: 'Seite {page} von {pages}',
    continued: 'Fortsetzung',
    rehearsal: 'PROBE',
    attention: 'z. Hd.',
    deliveredTo: (address) => `Lieferung an: ${address}`,
    ofInvoice: 'Zur Rechnung',
    replaces: 'Ersetzt',
    reason: 'Grund',
    credited: 'Gutgeschrieben',
    share: 'Anteil an Nachlässen und Zuschlägen',
    ofDay: (number, date) => `${number} vom ${date}`,
    creditOn: (number) => `Gutschrift zur Rechnung ${number}`,
    deposit: (number, date) => `Abschlagsrechnung ${number} vom ${date}`,
    depositRate: (rate, base, tax) => `netto ${base}, USt ${rate} ${tax}`,
    depositLine: (percent) => `Abschlag, ${percent} des Auftrags`,
    taxAtHome: (tax, currency, rate, source, date) =>
      `USt in ${currency}: ${tax}, zum Kurs ${rate} (${source}, ${date}).`,
    ownTaxNumber: 'USt-IdNr.',
    pricesInclude: 'Preise einschließlich Umsatzsteuer.',
    copy: 'KOPIE',
    accepted: (methods) => `Zahlbar per: ${methods}.`,
    receipt: {
      methods: {
        'bank transfer': 'Überweisung',
        card: 'Karte',
        cash: 'Barzahlung',
        cheque: 'Scheck',
        'direct debit': 'Lastschrift',
        other: 'Sonstiges',
      },
      method: 'Zahlungsart',
      document: 'Beleg',
      what: 'Für',
      amount: 'Betrag',
      received: 'Erhalten',
      refunded: 'Erstattet',
      onAccount: 'Guthaben auf Ihrem Konto',
      discount: (amount) => `Skonto ${amount}`,
      writtenOff: (amount) => `Differenz erlassen ${amount}`,
      stillOpen: (amount) => `noch offen ${amount}`,
    },
  },
  fr: {
    date: 'Date',
    supplied: 'Date de livraison',
    due: 'Échéance',
    order: 'Notre commande',
    reference: 'Votre référence',
    customer: 'Client',
    taxNumber: 'Votre n° TVA',
    item: 'Article',
    description: 'Désignation',
    quantity: 'Qté',
    price: 'Prix',
    tax: 'TVA',
    net: 'Net',
    gross: 'Montant',
    base: 'Base',
    taxAmount: 'Taxe',
    includedTax: 'dont TVA',
    lines: 'Somme des lignes',
    total: 'Total',
    prepaid: 'Déjà réglé',
    toPay: 'À payer',
    nothingToPay: 'Rien à payer',
    payTitle: (amount, date) => `Merci de régler ${amount} au plus tard le ${date}`,
    collected: (amount, due) => `Nous prélevons ${amount} sur votre compte le ${due}`,
    mandate: (reference) => `Référence du mandat ${reference}`,
    payTo: (name) => `à ${name}`,
    payReference: (reference) => `Référence ${reference}`,
    scan: 'Lisez le code avec l’application de votre banque, ou indiquez la référence.',
    early: (percent, date, amount) =>
      `${percent} d’escompte pour un règlement au plus tard le ${date} : ${amount}.`,
    page: 'Page {page} sur {pages}',
    continued: 'suite',
    rehearsal: 'ESSAI',
    attention: 'À l’attention de',
    deliveredTo: (address) => `Livraison à\u00a0: ${address}`,
    ofInvoice: 'Sur facture',
    replaces: 'Remplace',
    reason: 'Motif',
    credited: 'Montant crédité',
    share: 'Part des remises et frais',
    ofDay: (number, date) => `${number} du ${date}`,
    creditOn: (number) => `Avoir sur facture ${number}`,
    deposit: (number, date) => `Facture d’acompte ${number} du ${date}`,
    depositRate: (rate, base, tax) => `HT ${base}, TVA ${rate} ${tax}`,
    depositLine: (percent) => `Acompte, ${percent} de la commande`,
    taxAtHome: (tax, currency, rate, source, date) =>
      `TVA en ${currency} : ${tax}, au cours de ${rate} (${source}, ${date}).`,
    ownTaxNumber: 'N° TVA',
    pricesInclude: 'Prix TVA comprise.',
    copy: 'COPIE',
    accepted: (methods) => `Moyens de paiement acceptés : ${methods}.`,
    receipt: {
      methods: {
        'bank transfer': 'Virement',
        card: 'Carte',
        cash: 'Espèces',
        cheque: 'Chèque',
        'direct debit': 'Prélèvement',
        other: 'Autre',
      },
      method: 'Mode de règlement',
      document: 'Pièce',
      what: 'Pour',
      amount: 'Montant',
      received: 'Reçu',
      refunded: 'Remboursé',
      onAccount: 'Porté à votre compte',
      discount: (amount) => `escompte ${amount}`,
      writtenOff: (amount) => `écart abandonné ${amount}`,
      stillOpen: (amount) => `reste dû ${amount}`,
    },
  },
}
