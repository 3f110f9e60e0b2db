import type { HelpTask } from '../../../help/task'

/** How the house is set up. */
export const setUpTasks: readonly HelpTask[] = [
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
    id: 'senders',
    words: 'Let emails come from somebody else',
    also: 'sender from reply-to answers address salesperson name kind',
    on: ['/company'],
    to: '/company?part=Senders',
    steps: [
      'In Settings open the brand, then Senders, and press Add sender.',
      'Choose whose emails it is for: all of a kind, or what one routine makes. Name, address and where answers ' +
        'go can each be left to the brand.',
      '- A routine’s sender goes before the kind’s. The email beside a document shows what holds.',
    ],
  },
  {
    id: 'branches',
    words: 'Send documents from a second address',
    also: 'branch location shop site store series account',
    on: ['/company', '/orders'],
    to: '/company?part=Branches',
    steps: [
      'In Settings open the brand, then Branches, and add the place with its address.',
      'On an order, or an invoice without one, choose it under Sold from; a file can name it in a column Branch.',
      'For numbers of its own: Numbers, “another branch, country or currency”.',
      '- A branch that is closed takes no new order; what was begun there is brought to its end.',
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
    id: 'variants',
    words: 'Give some customers their own text or design',
    also: 'variant template key account trade school group wording layout',
    on: ['/company'],
    to: '/company?part=Variants',
    steps: [
      'In Settings, Variants, add one and name it after those customers, like Schools.',
      'Open the brand’s Email text or Design and choose the variant after For. It begins with the brand’s own; ' +
        'what you save becomes theirs.',
      'Say who gets it under How documents go, of a customer or a group, kind by kind; for many at once choose ' +
        'them in Customers.',
      'For one document only, press Change beside Made in, where it waits in To check.',
      '- Where a variant has none of its own, the brand’s is taken. When that changes later, theirs stays, and ' +
        'says so.',
    ],
  },
  {
    id: 'email-text',
    words: 'Change what the email says',
    also: 'template wording subject signature greeting language picture banner campaign own field',
    on: ['/company'],
    to: '/company?part=Email%20text',
    steps: [
      'In Settings open the brand, then Email text, and choose kind and language.',
      'Type { and choose a field: its value comes from the document. Select it to say what stands instead where ' +
        'the document has none; otherwise such an email waits, and says why.',
      'Select words, a table or a picture and choose Only if for what does not always stand, like a sentence about ' +
        'a due date.',
      'Bold, lists, links, pictures and a table of the document’s lines stand above the text; the email is beside it.',
      'Own fields of orders and customers are in the list of fields. The picture above the text is of all emails of ' +
        'the brand, and ends by itself on the day that you give.',
      'Where the picture leads to an offer, you can have it counted that somebody follows it: on the document, at ' +
        'the customer and in Figures. Who it was is not kept.',
      'Email it to me sends a sample to your own address.',
      '- While you try a text, give an address after “These emails go to”: they go there as rehearsals, and the ' +
        'documents stay due.',
    ],
  },
  {
    id: 'enclosures',
    words: 'Send a file along',
    also: 'enclosure attachment terms price list leaflet drawing extra file too large split several emails',
    on: ['/company', '/orders', '/customers', '/items', '/'],
    to: '/company?part=Enclosures',
    steps: [
      'For every document of a kind, brand, group or language: in Settings open Enclosures and press Add file. ' +
        'From and Until end an offer by themselves.',
      'For one order or one customer: open it and press Add file under Files. Without “It goes along by email” ' +
        'the file stays here.',
      'For one item: open it in Items and press Add file under Files. It goes along with what bills the item; with a ' +
        'number of downloads or days it goes as a link that ends, and is given no more once the whole sale is ' +
        'credited.',
      'For one email: in To check press change beside Enclosed. Untick what does not go this time, or add a file for ' +
        'this once.',
      '- What is larger than its mail account takes waits in To check, goes in several emails, or its files go ' +
        'behind links: Settings, General, Links in emails.',
      '- What was sent keeps its files: they stand in the document’s Email.',
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
