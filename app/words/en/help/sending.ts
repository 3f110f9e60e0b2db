import type { HelpTask } from '../../../help/task'

/** How documents are sent, held, printed and proved. */
export const sendingTasks: readonly HelpTask[] = [
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
    id: 'own-words',
    words: 'Write one email otherwise, or add a copy to it',
    also: 'change text subject wording personal note message cc bcc copy recipient once this time edit email',
    on: ['/'],
    to: '/?stage=to+check',
    steps: [
      'On the Line, open To check and select the document. Below its picture, press change beside the subject.',
      'Change subject and text, add copies. A field, like the number, is filled in when the document is issued; ' +
        'type { for more of them.',
      'Use it this time keeps it for this document: it says own words, and its history keeps what was written.',
      '- Begun and left, it is there again when you come back, on this computer.',
      '- An email in Waiting or Stuck: its Email leaf, change beside the subject.',
      '- As the house says it again takes it back. Somebody else gets it: change beside the address.',
      '- A supervisor changes the text for all by “Change it for all…”, which says how many that touches.',
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
    id: 'second-person',
    words: 'Have a second person look before something goes',
    also: 'approve approval four eyes release sign off second look dear large amount new address bank details many',
    on: ['/', '/company'],
    to: '/company?part=General',
    steps: [
      'In Settings, General, under A second person, tick what needs one: large sums, first emails, ' +
        'bank accounts, many at once.',
      'In To check such a document says why. Press Ask for a second person; it waits there.',
      'Somebody else opens it, reads it, and presses Send. Who asked cannot.',
      '- A document that changes after it was asked for is asked for anew.',
      '- Copies, and addresses added once a document is issued, go without a second person.',
      '- Changed bank accounts: another supervisor confirms them in Settings, Identity.',
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
    id: 'links',
    words: 'Send a link instead of an attachment, and see whether it was opened',
    also: 'download attach pdf url read receipt opened wrong recipient revoke expire code password too large size',
    on: ['/', '/register', '/customers', '/company'],
    to: '/customers',
    steps: [
      'Settings, General, says under which address people reach Clothespin, and how long links are good.',
      'At the customer, or for all under Settings, Customers: change how a kind goes, and choose behind a link.',
      'The link stands below the email’s text. To choose its words, select them in the email text, press Link and ' +
        'then to the document: they stand only where there is a link.',
      'In the Register, the Email leaf of a document says whether its link was opened. End it after a wrong ' +
        'recipient, or keep it open longer.',
      'For papers that nobody else may see: under Edit give the customer a code, and tell it some other way than by ' +
        'email.',
      '- Ten wrong codes end a link.',
    ],
  },
  {
    id: 'figures',
    words: 'See what became of all that was sent',
    also: 'statistics report rates bounce domain postage saved chart how fast delivery',
    on: ['/', '/emails', '/figures'],
    to: '/figures',
    steps: [
      'On the Line, open Arrived, press Emails below the list, then Figures.',
      'Each number leads to its list.',
      'Whether an email was opened stands in its Email, where Settings, General counts it.',
      '- A mailbox that answers that somebody is there no more makes the email stuck, with its remedy.',
    ],
  },
  {
    id: 'once',
    words: 'Write one email otherwise',
    also: 'change text subject recipient from sender reply-to answers cc bcc link attach this time once comment',
    on: ['/'],
    to: '/',
    steps: [
      'In To check select the document and press change beside Subject.',
      'Subject, text, further copies, who it comes from, where answers go and how its files travel hold for this ' +
        'email alone. What you leave half done is there again when you come back.',
      '- Back to the house’s words: open it again and press “as the house says it again”.',
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
      '- Press “write it yourself” for words of this once; the house’s stand in Settings, Email text.',
      '- If the same person had it before, it says when, and asks.',
    ],
  },
  {
    id: 'provoke',
    words: 'See that failures are caught',
    also: 'test bounce refused full mailbox rehearsal provoke failure notice safety net try',
    on: ['/register', '/'],
    to: '/register',
    steps: [
      'Open any sent document in the Register and press Send a copy.',
      'Choose Provoke a failure, and what is to happen: refused, mailbox full, comes back, put off.',
      'See it on the Line, in Stuck, with its remedy; whoever gets failure notices is written to.',
      '- It goes nowhere: nobody gets it, no mail server hears of it, and Figures do not count it.',
      '- When you have seen enough, give up on it there.',
    ],
  },
  {
    id: 'digest',
    words: 'Let colleagues read what went',
    also: 'copy oversight administrator daily digest summary cc',
    on: ['/company'],
    to: '/company?part=General',
    steps: [
      'In Settings, General, under Who is told, choose who reads once a day what went, of which documents and when.',
      '- It begins with what goes from then on. Days on which nothing went have no such email.',
      '- A copy of each email is set in Settings, Customers, as CC or BCC of a kind of document.',
    ],
  },
  {
    id: 'updates',
    words: 'Tell customers how their order stands',
    also: 'status update email without document packed progress notification unsubscribe',
    on: ['/routines', '/orders'],
    to: '/routines',
    steps: [
      'In Settings, Orders, write what customers read of each status, in each language.',
      'In Routines, add one: when an order becomes that status, issue an order update. Try it, then switch it on.',
      'For one order, open it, choose Order update and prepare it.',
      '- Each status is told once. No file goes along but what you enclose; the register has it all the same.',
      '- Who wants no more of them says so in their mail program: How documents go then says “not at all”.',
    ],
  },
  {
    id: 'proof',
    words: 'Show that a document went out',
    also: 'evidence delivered received never got it when who history opened proof pack',
    on: ['/register', '/accounts'],
    to: '/register',
    steps: [
      'Find the document in the Register and turn to History with the right arrow.',
      'Each recipient has a line: when the mail server took it, what it answered, and whether it arrived.',
      'For whoever says that they never received it: Save the proof gives one PDF with recipients, times, what the ' +
        'mail servers said and the document, its file attached unchanged with its SHA-256.',
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
    also: 'automatic rule trigger workflow schedule every time test rehearsal divert try',
    on: ['/routines'],
    to: '/routines',
    steps: [
      'A routine is one sentence. Choose its underlined words: when, which orders, what, to ' +
        'whom, how far it goes.',
      'The trial at its right shows what it would have done with the past orders.',
      'Switch it on After a check first. When nothing needed a hand for a while, choose Automatic.',
      '“For real” at its end can be an address of yours instead: what the routine makes is then rehearsed there, ' +
        'and stays due.',
      '- It applies to what happens from then on; older orders are offered for catching up.',
    ],
  },
  {
    id: 'routine-of-the-clock',
    words: 'Let statements and reminders go at a time',
    also: 'schedule daily weekly monthly month end working day cron regular unattended dunning by itself',
    on: ['/routines', '/accounts'],
    to: '/routines',
    steps: [
      'In Routines press New and give it a name; as its first word choose “it is time for statements of account” or ' +
        '“it is time for payment reminders”.',
      'Its second word says when: on working days, once a week or month, on the first or last working day.',
      'Turns, beside the trial, shows the next one and what came of those before. ' +
        'A turn that was missed is taken once.',
      '- Why an account got nothing stands at the account, under What routines decided.',
    ],
  },
  {
    id: 'morning',
    words: 'Read in the morning how things stand',
    also: 'digest daily summary report email overview yesterday',
    on: ['/company'],
    to: '/company?part=General',
    steps: [
      'In Settings, General, say who reads it and when; nobody gets one until then.',
      'It comes on working days: what went, what is stuck or waits, payments promised for today, ' +
        'reminders that are due.',
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
]
