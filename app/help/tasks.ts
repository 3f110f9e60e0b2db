/**
 * Help: a page about each task, by the screens where it is done. F1 opens those of the screen, Ctrl+K finds them by
 * what clerks call them. A line that begins with "-" is a remark and no step.
 */
export interface HelpTask {
  id: string
  /** What one wants to do. */
  words: string
  /** Other words that find it. */
  also: string
  /** The beginnings of the paths of its screens. */
  on: readonly string[]
  steps: readonly string[]
  /** Where it is done. */
  to?: string
}

export const helpTasks: readonly HelpTask[] = [
  {
    id: 'send',
    words: 'Send what was prepared',
    also: 'email invoice mail out release approve post go',
    on: ['/', '/runs'],
    to: '/',
    steps: [
      'On the Line, open To check. Each document shows as it will be; its email and history are beside it.',
      'Select the ones that are right with Space or the box, or a whole group by its heading.',
      'Press Send. It says first how many go, by which way and to whom.',
      'During the undo time, Take all back stops them; nothing has a number until then.',
      '- What cannot go says why in its row: no address, on hold, changed since you looked.',
    ],
  },
  {
    id: 'not-due',
    words: 'Send back what should not go',
    also: 'return reject wrong prepared cancel withdraw remove',
    on: ['/'],
    to: '/',
    steps: [
      'In To check, select the document and press Return to To send. No number is used.',
      'It stays in To send until it is prepared again, or marked as not wanted with a reason.',
    ],
  },
  {
    id: 'bounced',
    words: 'Send again what bounced',
    also: 'stuck failed undelivered returned mail wrong address mailbox full refused resend retry',
    on: ['/', '/emails', '/customers/addresses'],
    to: '/?stage=stuck',
    steps: [
      'On the Line, open Stuck. They are grouped by cause, with the remedy above the list.',
      'Wrong address: Correct the address. It is corrected at every customer that has it, and ' +
        'what is stuck goes again.',
      'Somebody else should have it: To someone else, for this time or for good.',
      'Nobody can be reached by email: Print instead. It goes to the print queue.',
      '- Give up closes an email with a reason; the document stays in the Register as not delivered.',
    ],
  },
  {
    id: 'hold',
    words: 'Hold an email, or send it at a set time',
    also: 'delay later schedule wait postpone tomorrow release',
    on: ['/'],
    to: '/?stage=waiting',
    steps: [
      'On the Line, open Waiting and select the emails.',
      'Hold keeps them until somebody lets them go. At a time sends them then.',
      '- Give up takes them out for good; their documents stay issued.',
    ],
  },
  {
    id: 'copy',
    words: 'Send somebody a copy',
    also: 'again duplicate forward resend lost invoice never received',
    on: ['/register', '/orders', '/accounts'],
    to: '/register',
    steps: [
      'Find the document in the Register, by number, customer or amount.',
      'Press Send a copy and choose or type who gets it. The copy is marked as one.',
      '- If the same person had it before, it says when, and asks.',
    ],
  },
  {
    id: 'proof',
    words: 'Show that a document went out',
    also: 'evidence delivered received when who history opened',
    on: ['/register', '/accounts'],
    to: '/register',
    steps: [
      'Find the document in the Register and turn to History with the right arrow.',
      'Each recipient has a line: when the mail server took it, what it answered, and whether it arrived.',
      'Save the PDF gives the very file that was sent.',
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
    id: 'customer',
    words: 'Add a customer, or change where their documents go',
    also: 'new client debtor contact billing email address cc bcc paper post preferences',
    on: ['/customers'],
    to: '/customers?new=yes',
    steps: [
      'Press Add customer: number, name, country and one email address are enough.',
      'Contacts have roles; each kind of document goes to a role: invoices to billing, ' +
        'confirmations to buying.',
      'Under How documents go, each kind says what differs from the group: by email, on paper, ' +
        'both or nothing, with CC and BCC.',
      '- A customer who wants no email gets none, whatever a routine says.',
    ],
  },
  {
    id: 'addresses',
    words: 'Clean up email addresses',
    also: 'bounced malformed missing shared duplicate quality check',
    on: ['/customers'],
    to: '/customers/addresses',
    steps: [
      'Addresses to check lists what is missing, malformed, bounced, shared by several ' +
        'customers, or our own.',
      'Correct one there: it is corrected wherever it stands.',
    ],
  },
  {
    id: 'item',
    words: 'Add an item or a price',
    also: 'article product sku price list gtin ean customs',
    on: ['/items'],
    to: '/items',
    steps: [
      'Press Add item: number, name, price and tax category.',
      'Under More are names in other languages, prices by currency and customer group, ' +
        'customers’ own numbers and customs data.',
    ],
  },
  {
    id: 'payment',
    words: 'Record a payment or refund',
    also: 'paid money receipt cash cheque allocate settle on account early discount',
    on: ['/accounts'],
    to: '/accounts',
    steps: [
      'In Accounts select the customer and press Record a payment, or select open items and press Settle.',
      'What is more than the items stays on account and can be booked later.',
      'Early-payment discount and small differences are taken in the same step.',
      '- Undo makes a counter-entry; nothing is deleted.',
    ],
  },
  {
    id: 'bank',
    words: 'Book a bank statement',
    also: 'camt csv movements match import bank file reconciliation',
    on: ['/accounts/bank', '/accounts'],
    to: '/accounts/bank',
    steps: [
      'Give the bank’s file, camt.053 or CSV. The same movement comes in once.',
      'Matched movements are booked together; for those to check, choose the customer and ' +
        'items; others are ignored with a reason.',
    ],
  },
  {
    id: 'open-items',
    words: 'Bring over what is open from your earlier program',
    also: 'old invoices migrate take over opening balance previous software trial balance',
    on: ['/imports', '/accounts'],
    to: '/imports?of=open%20items',
    steps: [
      'Save the open items of the earlier program as CSV: number, customer, date, due date, what is open.',
      'In Imports choose Open items, give the file and look at the columns. Amounts below zero are credits.',
      'Compare the sums with the trial balance of the earlier program on the page that opens then.',
      '- They are owed, paid and credited like any other, and never take a number of ours.',
    ],
  },
  {
    id: 'import',
    words: 'Import customers, items, orders, payments or rates',
    also: 'csv upload excel file mapping columns',
    on: ['/imports', '/customers', '/items', '/orders'],
    to: '/imports',
    steps: [
      'Give a CSV file. Its columns are recognised by their names; look them over beside the sample.',
      'After the check, rows with problems come first. Correct them there, or leave them out.',
      'The same file twice changes nothing.',
    ],
  },
  {
    id: 'print',
    words: 'Print and post',
    also: 'paper letter printer window envelope queue',
    on: ['/print-queue'],
    to: '/print-queue',
    steps: [
      'Select what waits for the printer and press Print: one PDF in the order of issue.',
      'When it is in the post, Mark as posted. A jam is no loss: Make again prints the same ones.',
    ],
  },
  {
    id: 'routine',
    words: 'Let documents be made when something happens',
    also: 'automatic rule trigger workflow schedule every time',
    on: ['/routines'],
    to: '/routines',
    steps: [
      'A routine is one sentence. Choose its underlined words: when, which orders, what, to ' +
        'whom, how far it goes.',
      'The trial at its right shows what it would have done with the past orders.',
      'Switch it on After a check first. When nothing needed a hand for a while, choose Automatic.',
      '- It applies to what happens from then on; older orders are offered for catching up.',
    ],
  },
  {
    id: 'reconcile',
    words: 'Check that nothing was lost today',
    also: 'daily reconciliation difference control end of day audit',
    on: ['/reconciliation'],
    to: '/reconciliation',
    steps: [
      'Reconciliation compares what was issued, numbered, made, sent and has arrived, and the money.',
      'Each difference names its documents and opens them.',
    ],
  },
  {
    id: 'numbers',
    words: 'Set or continue a number series',
    also: 'invoice number prefix start counter year register gap',
    on: ['/company', '/numbers'],
    to: '/company?part=Numbers',
    steps: [
      'In Settings open the brand, then Numbers, and choose the kind.',
      'Write the pattern; the next three numbers are shown. To go on with an earlier program, ' +
        'set the next number.',
      '- A number that was used is never used again, and none is left out.',
    ],
  },
  {
    id: 'mail',
    words: 'Connect or test a mail account',
    also: 'smtp server password sender from limit outgoing',
    on: ['/company'],
    to: '/company?part=Mail%20accounts',
    steps: [
      'In Settings open Mail accounts and press Add. Server, port, user and password come from ' +
        'your mail provider.',
      'Try it connects, signs in and sends one email to you. Each step says what the server answered.',
    ],
  },
  {
    id: 'people',
    words: 'Invite somebody, or end their access',
    also: 'user staff role clerk supervisor reader leaver password brand',
    on: ['/company'],
    to: '/company?part=People',
    steps: [
      'In Settings open People and press Invite somebody: address, role and, if you want, brands.',
      'Who leaves loses access and tokens at once. Their name stays in the history.',
      '- Forgotten passwords are renewed from the sign-in page.',
    ],
  },
  {
    id: 'look',
    words: 'Change how documents look',
    also: 'logo colour letterhead stationery template font footer terms',
    on: ['/company'],
    to: '/company?part=Design',
    steps: [
      'In Settings open the brand, then Design: logo, colours and what is printed. The true ' +
        'document is beside it.',
      'Standing texts print terms and remarks, by kind, brand and time.',
      '- Issued documents keep what they were printed with.',
    ],
  },
  {
    id: 'email-text',
    words: 'Change what the email says',
    also: 'template wording subject signature greeting language',
    on: ['/company'],
    to: '/company?part=Email%20text',
    steps: [
      'In Settings open the brand, then Email text, and choose kind and language.',
      'Fields are filled from the document; a field that does not exist is named, with its nearest.',
      'Email it to me sends a sample to your own address.',
    ],
  },
  {
    id: 'periods',
    words: 'Close a month',
    also: 'period lock accounting closed date',
    on: ['/company', '/accounts'],
    to: '/company?part=Periods',
    steps: [
      'In Settings open Periods, give the last day and press Close. Nothing is dated, voided or ' +
        'booked before it any more.',
      'A supervisor can open it again, with a reason.',
    ],
  },
  {
    id: 'pause',
    words: 'Stop everything at once',
    also: 'pause emergency halt wrong price mistake panic',
    on: ['/company', '/'],
    to: '/company?part=General',
    steps: [
      'In Settings, General, press Pause everything. Nothing is issued or sent until somebody goes on.',
      '- A rehearsal sends everything to one address of yours instead, visibly marked.',
    ],
  },
]

/** Those of a screen, the nearest first: what is done on it alone before what is done on all like it. */
export function tasksOf(path: string): HelpTask[] {
  const near = (task: HelpTask) =>
    Math.max(
      0,
      ...task.on
        .filter((start) => (start === '/' ? path === '/' : path.startsWith(start)))
        .map((start) => start.length),
    )
  return helpTasks
    .map((task) => ({ task, near: near(task) }))
    .filter((one) => one.near > 0)
    .sort((a, b) => b.near - a.near)
    .map((one) => one.task)
}
