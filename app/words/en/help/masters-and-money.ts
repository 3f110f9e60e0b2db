import type { HelpTask } from '../../../help/task'

/** How customers and items are kept, money is booked, and files come in. */
export const masterTasks: readonly HelpTask[] = [
  {
    id: 'customer',
    words: 'Add a customer, or change where their documents go',
    also: 'new client debtor contact billing email address cc bcc paper post preferences required',
    on: ['/customers'],
    to: '/customers?new=yes',
    steps: [
      'Press Add customer: number, name, country and one email address are enough.',
      'Contacts have roles; each kind of document goes to a role: invoices to billing, ' +
        'confirmations to buying.',
      'Under How documents go, each kind says what differs from the group: by email, on paper, ' +
        'both or nothing, with CC and BCC.',
      'Takes no invoice without an order number or cost centre? Under Edit tick what an order must have: its invoice ' +
        'waits in To check, says whom to ask, and goes on once it is there.',
      'Where Settings, General, lets order confirmations be edited, their row says in which form the file goes.',
      '- A customer who wants no email gets none, whatever a routine says.',
    ],
  },
  {
    id: 'compare',
    words: 'See why one customer gets what another does not',
    also: 'compare two customers difference copy settings set up same alike',
    on: ['/customers'],
    to: '/customers',
    steps: [
      'Open a customer, press Compare, and choose the other one. What differs stands side by side.',
      'Give it the same: group, language, currency, terms, prices and how documents go. It can be undone.',
      '- People, addresses, tax and codes stay each customer’s own.',
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
    also: 'article product sku price list gtin ean customs picture photo manual download choice colour size',
    on: ['/items'],
    to: '/items',
    steps: [
      'Press Add item: number, name, price and tax category.',
      'Under More are names in other languages, prices by currency and customer group, ' +
        'customers’ own numbers and customs data.',
      'A choice, like a size, has its words in every language: press + in other languages below it. A line takes ' +
        'those of its order.',
      'The picture is shown in the list and at the bench. What is sold as a file, or a manual, is added under Files.',
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
    id: 'statement',
    words: 'Send statements of account',
    also: 'statement balance open items ageing month end copies zip run',
    on: ['/accounts'],
    to: '/accounts',
    steps: [
      'One customer: in Accounts select it and press Statement…; say a day, or a time, and press Prepare it.',
      'Many: narrow the list by the words of its sentence or pick rows, and press Statements of …. ' +
        'The report says who has nothing open or one already.',
      'They wait in To check: look at document and email, then Send.',
      '- Every month by itself: Routines, New, “it is time for statements of account”.',
      '- Runs… shows what earlier runs made and left out.',
      '- Of several brands of one company together: Settings, General, Statements of account.',
      '- With a slip to be sent back with the payment: Settings, the brand, Design, on documents of statements.',
      '- Copies of what it lists, in one ZIP or singly: in how statements go, at the customer or in Settings.',
    ],
  },
  {
    id: 'remind',
    words: 'Remind of what is past due',
    also: 'reminder dunning level overdue late chase friendly firm final direct debit',
    on: ['/accounts'],
    to: '/accounts?only=overdue',
    steps: [
      'In Accounts show those overdue, pick rows or take all, and press Remind …; or one customer by its own Remind….',
      'Each gets one letter in the level that is due. What is disputed, promised or reminded lately is left out.',
      'Who pays by direct debit is marked in the list: the customer’s terms say so.',
      'They wait in To check. Whoever pays before the Send is not reminded; the report and the document say so.',
      '- Every morning by itself: Routines, New, “it is time for payment reminders”.',
      '- Whoever’s money lies in Bank and is not booked yet is not reminded.',
      '- Levels, days and words: Settings, General, Payment reminders.',
      '- A letter that was not handed over can be voided: its invoices are as before.',
    ],
  },
  {
    id: 'late-payment',
    words: 'Ask for interest and a fee, or waive them',
    also: 'interest fee charge dunning late payment rate percent waive write off forgive',
    on: ['/accounts', '/company'],
    to: '/company?part=General',
    steps: [
      'Settings, General, Payment reminders: the rate a year, for all, a group or a country, each from a day on.',
      'Open a level there: whether its letters ask for interest, and what a letter costs.',
      'Booked, they are owed once the letter is issued, and stand in Accounts under its number; or are asked for only.',
      '- Interest that one letter booked is not asked for by the next. Fees and interest alone bring no letter.',
      '- To waive what is open, or a part: Accounts, “mark” beside it, waive, how much, why.',
      '- To have it owed again: “take back” beside what was waived, below the document in the Register.',
    ],
  },
  {
    id: 'remind-of-invoice',
    words: 'Send one unpaid invoice again',
    also: 'remind invoice again unpaid late single copy open amount',
    on: ['/register', '/accounts'],
    to: '/register?state=overdue',
    steps: [
      'In the Register take the invoice in hand and press Remind….',
      'The stored PDF goes once more, and the email says what is still open.',
      '- The text: Settings, Email text, “because it is not paid”.',
      '- When something is booked before it leaves, it does not go and says so under Stuck.',
      '- It counts for no level; another within the days between is asked about first.',
    ],
  },
  {
    id: 'saved-filters',
    words: 'Keep a filter by a name',
    also: 'saved filter search narrow view list again',
    on: ['/accounts', '/orders', '/register', '/customers'],
    to: '/accounts',
    steps: [
      'Narrow the list by the words of its sentence, then press “filters…” there and give it a name.',
      'Everybody at the desk has it; press its name to take it up again.',
    ],
  },
  {
    id: 'money-over-time',
    words: 'See how fast money comes',
    also: 'days sales outstanding dso ageing by month figures reminders brought statistics',
    on: ['/accounts', '/accounts/figures'],
    to: '/accounts/figures',
    steps: [
      'In Accounts press over time…, beside what is open.',
      'What was owed at the end of each month, by age; how many days’ invoices were open; what came after reminders.',
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
]
