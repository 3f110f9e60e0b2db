import { stages } from '../../../../core/dispatch/states'
import { capital } from '../../../../core/documents/kinds'
import type { Entry } from '../../../help/entry'

/* What Ctrl+K finds by name, and the other words that clerks have for it. */

const place = (words: string, to: string, also = ''): Entry => ({
  key: `place ${to}`,
  what: 'Place',
  words,
  also,
  to,
})
const setting = (words: string, part: string, also: string, who?: Entry['for']): Entry => ({
  key: `setting ${words}`,
  what: 'Setting',
  words,
  also,
  to: `/company?part=${encodeURIComponent(part)}`,
  for: who,
})
const report = (words: string, to: string, also: string): Entry => ({
  key: `report ${words}`,
  what: 'Report',
  words,
  also,
  to,
})
const act = (words: string, to: string, also: string, who: Entry['for'] = 'clerk'): Entry => ({
  key: `act ${words}`,
  what: 'Act',
  words,
  also,
  to,
  for: who,
})

export const entries: readonly Entry[] = [
  place('Line', '/', 'home start overview dashboard'),
  place('Orders', '/orders', 'sales order desk'),
  place('Shipments', '/shipments', 'parcels packing slips delivery notes ship dispatch goods out warehouse'),
  place('Packing bench', '/shipments/bench', 'scan scanner barcode pack warehouse parcels items gtin'),
  place('Returns', '/shipments/returns', 'goods come back rma send back return note label credit'),
  place('Labels', '/shipments/labels', 'shipping labels tracking parcels carrier cost late not bought'),
  place('Register', '/register', 'invoices documents archive issued list'),
  place('Customers', '/customers', 'clients debtors accounts addresses'),
  place('Items', '/items', 'articles products stock catalogue prices'),
  place('Accounts', '/accounts', 'open items receivables overdue balance debtors ledger'),
  place(
    'Money over time',
    '/accounts/figures',
    'days sales outstanding dso ageing months reminders brought figures',
  ),
  place('Payments', '/accounts/payments', 'receipts money refunds'),
  place('Bank files', '/accounts/bank', 'statement camt movements booking'),
  place('Imports', '/imports', 'csv upload excel file'),
  place('Numbers', '/numbers', 'number register series gap'),
  place('Reconciliation', '/reconciliation', 'daily control difference'),
  place('Print queue', '/print-queue', 'printer paper post letters'),
  place('Sends', '/runs', 'send report batch run'),
  place('Emails', '/emails', 'mail outbox sent bounced opened'),
  place('Figures', '/figures', 'statistics rates bounce domain postage saved chart minutes delivery'),
  place('Routines', '/routines', 'rules automatic triggers'),
  place('Settings', '/company', 'set-up configuration company options'),
  ...stages.map((stage) =>
    place(
      `${capital(stage)} on the Line`,
      stage === 'to check' ? '/' : `/?stage=${encodeURIComponent(stage)}`,
      stage === 'stuck' ? 'failed bounced errors' : '',
    ),
  ),
  setting('Set-up guide', 'Guide', 'missing steps checklist'),
  setting('Undo time, sending hours and pause', 'General', 'delay send window night hours timer'),
  setting('Rehearsal', 'General', 'test mode sandbox'),
  setting('Links in emails, and whether they are opened', 'General', 'public address tracking opens expire'),
  setting('Order statuses and salespeople', 'Orders', 'status list workflow states'),
  setting('Customer groups and roles of contacts', 'Customers', 'default delivery terms new customers'),
  setting(
    'Carriers, labels, services and boxes',
    'Shipping',
    'parcel shipping label printer gs1 sscc carrier price',
  ),
  setting('Standing texts', 'Standing texts', 'terms conditions footer remark small print'),
  setting('Variants', 'Variants', 'own email text design some customers school trade key account template'),
  setting('Enclosures', 'Enclosures', 'attachments files terms price list leaflet brochure flyer'),
  setting('Own fields', 'Own fields', 'custom extra additional attributes'),
  setting('Tax categories and rates', 'Tax', 'vat gst rate exchange currency'),
  setting('Accounting periods', 'Periods', 'close month year lock'),
  setting('Mail accounts', 'Mail accounts', 'smtp server sender limit password', 'supervisor'),
  setting('People', 'People', 'users staff roles invite tokens api leaver', 'supervisor'),
  setting('Brand: identity, bank and sender', 'Identity', 'logo address iban vat number reply-to'),
  setting('Brand: design', 'Design', 'layout letterhead colours font logo template'),
  setting('Brand: number series', 'Numbers', 'invoice number prefix counter start'),
  setting('Brand: branches', 'Branches', 'location shop site second address'),
  setting('Brand: senders', 'Senders', 'from reply-to answers address mail account', 'supervisor'),
  setting('Brand: email texts', 'Email text', 'template wording subject signature picture banner'),
  report('Overdue accounts', '/accounts?only=overdue', 'late unpaid dunning reminders ageing'),
  report('Orders without an invoice', '/orders?without=invoice', 'unbilled not invoiced forgotten'),
  report('Orders shipped in part', '/orders?shipped=in%20part', 'left to ship backorder rest partial'),
  report('Orders without a confirmation', '/orders?without=order%20confirmation', 'unconfirmed'),
  report(
    'Customers who cannot be reached',
    '/customers?trouble=true',
    'no address unreachable missing email',
  ),
  report('Addresses to check', '/customers/addresses', 'bounced malformed shared duplicate quality'),
  act('Add order', '/orders/new', 'new write enter sales order'),
  act('Add customer', '/customers?new=yes', 'new client debtor'),
  act('Add routine', '/routines?new=yes', 'new rule automatic', 'supervisor'),
  act('Pause everything', '/company?part=General', 'stop halt emergency'),
  act('Begin or end a rehearsal', '/company?part=General', 'test mode', 'supervisor'),
  act('Print what waits for the printer', '/print-queue', 'paper letters post'),
]
