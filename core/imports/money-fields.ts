import { paymentMethods } from '../documents/facts'
import { choice, needed, of, text, type ImportField } from './field'

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

/** Of what is open in another program. */
export const openItemFields: readonly ImportField[] = [
  needed(
    text(
      'number',
      60,
      'document',
      'documentnumber',
      'invoice',
      'invoicenumber',
      'invoiceno',
      'rechnung',
      'rechnungsnummer',
      'belegnummer',
      'facture',
      'no',
    ),
  ),
  needed(
    text('customer', 40, 'customernumber', 'customerno', 'kundennummer', 'debitor', 'client', 'account'),
  ),
  needed(of('day', 'date', 'documentdate', 'invoicedate', 'datum', 'rechnungsdatum', 'belegdatum')),
  of('day', 'dueDate', 'due', 'dueon', 'faellig', 'fällig', 'fälligkeit', 'echeance', 'échéance'),
  needed(
    of(
      'number',
      'open',
      'openamount',
      'outstanding',
      'balance',
      'remaining',
      'offen',
      'offenerbetrag',
      'saldo',
      'solde',
      'reste',
    ),
  ),
  of('number', 'total', 'amount', 'gross', 'grossamount', 'betrag', 'brutto', 'montant', 'ttc'),
  choice('kind', ['invoice', 'credit note', 'payment'], 'type', 'art', 'belegart', 'documenttype'),
  of('currency', 'currency', 'waehrung', 'währung', 'devise'),
  text('brand', 10, 'shop', 'marke', 'marque'),
  text('taxCode', 40, 'tax', 'vatcode', 'steuer', 'tva'),
  text('reference', 80, 'yourreference', 'po', 'ponumber', 'referenz', 'référence'),
]

/** Of a payment. */
export const paymentFields: readonly ImportField[] = [
  text('id', 80, 'paymentid', 'transaction', 'transactionid'),
  text('customer', 40, 'customernumber', 'customerno', 'kundennummer', 'client'),
  text('document', 60, 'invoice', 'invoicenumber', 'rechnung', 'rechnungsnummer', 'facture'),
  needed(of('day', 'date', 'paidon', 'paymentdate', 'datum', 'bookingdate', 'buchungstag', 'date')),
  needed(of('amount', 'amount', 'betrag', 'montant', 'paid')),
  of('currency', 'currency', 'waehrung', 'währung', 'devise'),
  choice('method', paymentMethods, 'paymentmethod', 'zahlungsart', 'mode'),
  text('reference', 140, 'text', 'verwendungszweck', 'libelle', 'libellé', 'purpose'),
]

/** Of a movement of a bank. */
export const movementFields: readonly ImportField[] = [
  needed(
    of(
      'day',
      'bookedOn',
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
  of('number', 'amount', 'betrag', 'montant', 'umsatz'),
  of('number', 'moneyIn', 'in', 'credit', 'crédit', 'paidin', 'haben', 'gutschrift'),
  of('number', 'moneyOut', 'out', 'debit', 'débit', 'paidout', 'soll', 'belastung'),
  choice(
    'direction',
    Object.keys(directions),
    'creditdebit',
    'cdtdbtind',
    'type',
    'art',
    'sollhaben',
    'sens',
  ),
  of('currency', 'currency', 'waehrung', 'währung', 'devise'),
  text('account', 60, 'ownaccount', 'ouraccount', 'auftragskonto', 'eigeneskonto', 'compte'),
  text(
    'name',
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
  text('iban', 60, 'theiraccount', 'gegenkonto', 'kontonummer'),
  text(
    'text',
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
  text('reference', 200, 'creditorreference', 'structuredreference', 'referenz', 'référence'),
  text('bankReference', 200, 'transactionid', 'bankid', 'entryreference', 'umsatzid'),
]

/** Of an exchange rate. */
export const rateFields: readonly ImportField[] = [
  needed(of('currency', 'currency', 'waehrung', 'währung', 'devise')),
  needed(of('day', 'day', 'date', 'datum')),
  needed(of('number', 'rate', 'kurs', 'cours', 'taux')),
  text('source', 80, 'quelle'),
]
