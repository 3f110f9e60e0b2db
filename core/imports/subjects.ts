import { paymentMethods } from '../documents/facts'
import { languages } from '../money/format'

/** What can be read from a file or given by another program. */
export const importSubjects = ['customers', 'items', 'orders', 'payments', 'bank movements', 'rates'] as const
export type ImportSubject = (typeof importSubjects)[number]

/** A field of a record. Its key is stable: programs that give JSON use it. */
export interface ImportField {
  key: string
  words: string
  kind: 'text' | 'email' | 'number' | 'amount' | 'day' | 'choice' | 'currency' | 'country'
  needed?: boolean
  /** Most letters of a text. */
  most?: number
  choices?: readonly string[]
  /** Column names that mean it, bare and in small letters. */
  named: readonly string[]
}

const text = (key: string, words: string, most: number, ...named: string[]): ImportField => ({
  key,
  words,
  kind: 'text',
  most,
  named: [key.toLowerCase(), ...named],
})
const needed = (field: ImportField): ImportField => ({ ...field, needed: true })
const of = (kind: ImportField['kind'], key: string, words: string, ...named: string[]): ImportField => ({
  key,
  words,
  kind,
  named: [key.toLowerCase(), ...named],
})
const choice = (key: string, words: string, choices: readonly string[], ...named: string[]): ImportField => ({
  ...of('choice', key, words, ...named),
  choices,
})

/** How banks write which way money went: true came in. */
export const directions: Readonly<Record<string, boolean>> = {
  in: true,
  credit: true,
  crdt: true,
  cr: true,
  c: true,
  haben: true,
  h: true,
  crédit: true,
  '+': true,
  out: false,
  debit: false,
  dbit: false,
  dr: false,
  d: false,
  soll: false,
  s: false,
  débit: false,
  '-': false,
}

export const importFields: Readonly<Record<ImportSubject, readonly ImportField[]>> = {
  customers: [
    needed(
      text(
        'number',
        'Number',
        40,
        'customernumber',
        'customerno',
        'kundennummer',
        'kundennr',
        'numclient',
        'no',
        'id',
      ),
    ),
    needed(text('name', 'Name', 120, 'company', 'firma', 'kunde', 'customer', 'nom', 'raisonsociale')),
    text('group', 'Group', 60, 'gruppe', 'groupe', 'category'),
    choice('language', 'Language', languages, 'sprache', 'langue', 'lang'),
    of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise'),
    needed(of('country', 'country', 'Country', 'land', 'pays')),
    text('attention', 'For the attention of', 80, 'attn', 'zuhanden', 'contactperson'),
    text('street', 'Street', 80, 'address', 'address1', 'strasse', 'straße', 'adresse', 'rue'),
    text('town', 'Town with postcode', 80, 'city', 'address2', 'ort', 'ville', 'plzort'),
    text('region', 'Region', 80, 'county', 'address3', 'state'),
    text('taxNumber', 'VAT number', 40, 'vatnumber', 'vat', 'ustidnr', 'ustid', 'tva'),
    text('salesperson', 'Salesperson', 80, 'verkaeufer', 'verkäufer', 'vendeur'),
    of('number', 'termsDays', 'Pays within days', 'terms', 'days', 'zahlungsziel', 'delai'),
    of('email', 'email', 'Email of the billing contact', 'mail', 'emailaddress', 'courriel'),
    text('contact', 'Name of the billing contact', 80, 'contactname', 'ansprechpartner'),
  ],
  items: [
    needed(text('code', 'Code', 60, 'item', 'sku', 'artikel', 'artikelnummer', 'article', 'itemcode')),
    needed(text('name', 'Name, English', 300, 'description', 'nameen')),
    text('nameDe', 'Name, German', 300, 'bezeichnung', 'beschreibung'),
    text('nameFr', 'Name, French', 300, 'designation', 'désignation'),
    text('unit', 'Unit', 20, 'einheit', 'unite', 'unité'),
    needed(of('number', 'price', 'Price', 'unitprice', 'preis', 'prix', 'net')),
    needed(text('taxCode', 'Tax code', 40, 'tax', 'vatcode', 'steuer', 'tva')),
  ],
  orders: [
    needed(
      text(
        'number',
        'Order number',
        40,
        'order',
        'ordernumber',
        'orderno',
        'auftrag',
        'auftragsnummer',
        'commande',
      ),
    ),
    needed(of('day', 'date', 'Date', 'orderdate', 'datum', 'auftragsdatum')),
    needed(
      text(
        'customer',
        'Customer number',
        40,
        'customernumber',
        'customerno',
        'kundennummer',
        'kunde',
        'client',
      ),
    ),
    text('brand', 'Brand code', 10, 'shop', 'marke', 'marque'),
    text('status', 'Status', 40, 'state', 'statut'),
    of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise'),
    text(
      'reference',
      'Customer’s reference',
      80,
      'yourreference',
      'po',
      'ponumber',
      'bestellnummer',
      'referenz',
      'référence',
    ),
    text('note', 'Note on the document', 1000, 'customernote', 'remark', 'hinweis', 'remarque'),
    text('salesperson', 'Salesperson', 80, 'verkaeufer', 'verkäufer', 'vendeur'),
    text('item', 'Line: item code', 60, 'itemcode', 'sku', 'artikel', 'article'),
    text('description', 'Line: description', 300, 'itemname', 'bezeichnung', 'designation', 'désignation'),
    needed(of('number', 'quantity', 'Line: quantity', 'qty', 'menge', 'quantite', 'quantité')),
    text('unit', 'Line: unit', 20, 'einheit', 'unite', 'unité'),
    of('number', 'price', 'Line: unit price', 'unitprice', 'preis', 'einzelpreis', 'prix'),
    of('number', 'discount', 'Line: discount, percent', 'discountpercent', 'rabatt', 'remise'),
    text('taxCode', 'Line: tax code', 40, 'tax', 'vatcode', 'steuer', 'tva'),
  ],
  payments: [
    text('id', 'Own id of the payment', 80, 'paymentid', 'transaction', 'transactionid'),
    text('customer', 'Customer number', 40, 'customernumber', 'customerno', 'kundennummer', 'client'),
    text(
      'document',
      'Document number',
      60,
      'invoice',
      'invoicenumber',
      'rechnung',
      'rechnungsnummer',
      'facture',
    ),
    needed(of('day', 'date', 'Day', 'paidon', 'paymentdate', 'datum', 'bookingdate', 'buchungstag', 'date')),
    needed(of('amount', 'amount', 'Amount', 'betrag', 'montant', 'paid')),
    of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise'),
    choice('method', 'Method', paymentMethods, 'paymentmethod', 'zahlungsart', 'mode'),
    text(
      'reference',
      'What the payer wrote',
      140,
      'text',
      'verwendungszweck',
      'libelle',
      'libellé',
      'purpose',
    ),
  ],
  'bank movements': [
    needed(
      of(
        'day',
        'bookedOn',
        'Booked on',
        'bookingdate',
        'date',
        'buchungstag',
        'buchungsdatum',
        'datum',
        'valuedate',
        'valuta',
        'dateoperation',
        'dateopération',
      ),
    ),
    of('number', 'amount', 'Amount, with its sign', 'betrag', 'montant', 'umsatz'),
    of('number', 'moneyIn', 'Amount that came in', 'in', 'credit', 'crédit', 'paidin', 'haben', 'gutschrift'),
    of('number', 'moneyOut', 'Amount that went out', 'out', 'debit', 'débit', 'paidout', 'soll', 'belastung'),
    choice(
      'direction',
      'In or out',
      Object.keys(directions),
      'creditdebit',
      'cdtdbtind',
      'type',
      'art',
      'sollhaben',
      'sens',
    ),
    of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise'),
    text(
      'account',
      'Our own account',
      60,
      'ownaccount',
      'ouraccount',
      'auftragskonto',
      'eigeneskonto',
      'compte',
    ),
    text(
      'name',
      'Who paid, or was paid',
      200,
      'payer',
      'payee',
      'counterparty',
      'auftraggeber',
      'empfänger',
      'beguenstigter',
      'begünstigter',
      'zahlungspflichtiger',
      'contrepartie',
      'nom',
    ),
    text('iban', 'Their account', 60, 'theiraccount', 'gegenkonto', 'kontonummer'),
    text(
      'text',
      'What was written',
      1000,
      'remittanceinformation',
      'purpose',
      'details',
      'narrative',
      'description',
      'verwendungszweck',
      'buchungstext',
      'libelle',
      'libellé',
      'motif',
    ),
    text(
      'reference',
      'Creditor reference',
      200,
      'creditorreference',
      'structuredreference',
      'referenz',
      'référence',
    ),
    text(
      'bankReference',
      'The bank’s own reference',
      200,
      'transactionid',
      'bankid',
      'entryreference',
      'umsatzid',
    ),
  ],
  rates: [
    needed(of('currency', 'currency', 'Currency', 'waehrung', 'währung', 'devise')),
    needed(of('day', 'day', 'Day', 'date', 'datum')),
    needed(of('number', 'rate', 'Rate', 'kurs', 'cours', 'taux')),
    text('source', 'Source', 80, 'quelle'),
  ],
}

/** Fields of which a record needs at least one, with the words that say so. */
export const oneOf: Partial<Record<ImportSubject, { keys: readonly string[]; words: string }>> = {
  orders: { keys: ['item', 'description'], words: 'Its line has neither an item code nor a description.' },
  payments: {
    keys: ['customer', 'document'],
    words: 'Neither a customer number nor a document number is given.',
  },
  'bank movements': { keys: ['amount', 'moneyIn', 'moneyOut'], words: 'No amount is given.' },
}
