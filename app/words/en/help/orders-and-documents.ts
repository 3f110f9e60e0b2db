import type { HelpTask } from '../../../help/task'

/** How orders are written, and documents made, credited and voided. */
export const documentTasks: readonly HelpTask[] = [
  {
    id: 'order',
    words: 'Enter an order',
    also: 'new sales order write type keyboard lines items',
    on: ['/orders'],
    to: '/orders/new',
    steps: [
      'Press Add order. Type any part of the customer’s name or number and Enter.',
      'In each line type an item number or words out of its name, Enter, then the quantity; ' +
        'Enter begins the next line.',
      'Prices follow from item, currency and customer group; they can be overwritten.',
      'Ctrl+Enter saves the order with its status. From then on the routines do what is due.',
    ],
  },
  {
    id: 'status',
    words: 'Set the status of orders',
    also: 'shipped confirmed packed change bulk',
    on: ['/orders'],
    to: '/orders',
    steps: [
      'Select one order or many and choose the status.',
      'It says before how many documents the routines will prepare.',
      '- A status that was set by mistake can be undone from the foot of the page.',
    ],
  },
  {
    id: 'ship',
    words: 'Ship an order, whole or in parts',
    also:
      'packing slip delivery note parcel label carrier tracking box partial part delivery goods out warehouse ' +
      'dispatch ' +
      'split cancel rest',
    on: ['/shipments', '/orders'],
    to: '/shipments',
    steps: [
      'Open the order and press Ship. All that is left is filled in: take off what does not go.',
      'Parcels are proposed from the items’ weights and your boxes (Settings, Shipping). Move what belongs ' +
        'elsewhere, enter the weights, and press Pack.',
      'With a carrier in Settings, Shipping, press Make labels: the price is seen before. What could not be bought ' +
        'stands in Shipments, Labels, with its remedy.',
      'On the shipment prepare its packing slip and delivery note, look at them, and send or print them. A routine ' +
        'does it: “When goods of an order are packed”.',
      'At the order, Invoice what was shipped begins an invoice of just that; Cancel the rest takes off what will ' +
        'not be shipped any more.',
      'Packing bench, in Shipments, does it by a scanner: the order, its items one by one, and Enter alone at the end.',
      '- A shipment that does not go is undone: all of it is left to ship again.',
    ],
  },
  {
    id: 'return',
    words: 'Take goods back and credit them',
    also: 'return rma send back return note label credit exchange broken wrong refund',
    on: ['/shipments/returns', '/orders'],
    to: '/shipments/returns',
    steps: [
      'Open the order and press Goods come back. Enter how much of each line and why, and until when it may be sent.',
      'With a carrier that has a service for returns, a label is made: it costs only once it is used, and is given ' +
        'back when the last day is over.',
      'Press Agree and email it: the return note with its label goes to the customer.',
      'When the goods are there, open the return in Shipments, Returns, press It came back, and enter what came. A ' +
        'credit note for just that waits in To check.',
      '- A return of which nothing comes is withdrawn: its label is given back.',
    ],
  },
  {
    id: 'missing',
    words: 'Find orders without an invoice or confirmation',
    also: 'forgotten unbilled not invoiced missing document catch up',
    on: ['/orders', '/reconciliation', '/routines'],
    to: '/orders?without=invoice',
    steps: [
      'In Orders, choose “without invoice” or “without confirmation” in the sentence above the list.',
      'Open one and press Prepare it, or let a routine catch up on older orders, in a range that you choose.',
    ],
  },
  {
    id: 'draft',
    words: 'Write an invoice by hand',
    also: 'draft invoice without order free service deposit part',
    on: ['/register', '/drafts'],
    to: '/register',
    steps: [
      'In the Register press New invoice and choose the customer.',
      'Write the lines; the totals and the document beside follow.',
      'Prepare puts it on To check. It has no number until it is sent.',
    ],
  },
  {
    id: 'credit',
    words: 'Credit an invoice, in whole or in part',
    also: 'credit note refund return correct mistake wrong price cancel invoice reverse',
    on: ['/register', '/accounts'],
    to: '/register?kind=invoice',
    steps: [
      'Find the invoice in the Register and press Credit.',
      'Choose the whole, some lines, or an amount, and say why; the reason is printed.',
      'With “and issue anew” the corrected invoice is begun in the same step.',
      '- An invoice that was sent is never changed. One that nobody has yet can be voided instead.',
    ],
  },
  {
    id: 'void',
    words: 'Void a document',
    also: 'cancel delete invoice number mistake',
    on: ['/register'],
    to: '/register',
    steps: [
      'Find it in the Register, press Void and say why.',
      'Its number stays and is marked; nothing of it is owed.',
      '- Only while nothing was handed over, nothing is booked on it and its period is open. ' +
        'Otherwise credit it.',
    ],
  },
]
