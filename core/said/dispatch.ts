/** Why an email is stuck, and what helps; why a document does not go with a Send. */
export const dispatch = {
  'cause/no address': 'no address',
  'cause/no email wanted': 'wants no email',
  'cause/refused': 'refused',
  'cause/bounced': 'bounced',
  'cause/mailbox full': 'mailbox full',
  'cause/left': 'there no more',
  'cause/unwanted': 'called unwanted',
  'cause/unclear': 'unclear',
  'cause/given up': 'given up',
  'cause/not written': 'email not written',
  'cause/too large': 'too large',
  'cause/not drawn': 'not drawn',
  'remedy/no address':
    'Nobody is there to write to. Add a billing contact with an email address, then send again.',
  'remedy/no email wanted': 'This customer does not want email. Print it and post it instead.',
  'remedy/refused':
    'The mail server does not take this address. Correct it at the customer, then send again.',
  'remedy/bounced': 'The mail came back. Correct the address at the customer, then send again.',
  'remedy/mailbox full': 'The mailbox has no room. Send again later, or write to someone else.',
  'remedy/left':
    'The mailbox says that this person is there no more. Give somebody else’s address at the customer, then send again.',
  'remedy/unwanted':
    'Its receiver called this email unwanted. Ask how they want their documents, change it at the customer, then print it or send again.',
  'remedy/unclear':
    'We stopped while handing it over and do not know whether it left. Look in the mailbox or ask, then say it arrived or send again.',
  'remedy/given up': 'The mail server put us off too often. Look whether it is well, then send again.',
  'remedy/not written':
    'The email’s text needs something that this document does not have. Change the text, then send again.',
  'remedy/too large':
    'The email is larger than its mail account takes. Take an enclosure away where it hangs, or raise the limit in Settings, Mail accounts, then send again.',
  'remedy/not drawn': 'The PDF could not be made. Read the reason in the history, mend it, then send again.',

  'bar/stopped': 'order held or withdrawn',
  'bar/changed': 'changed since you looked',
  'bar/problem': 'cannot be issued',
  'bar/not wanted': 'customer wants none',
  'bar/no address': 'no email address',
  'bar/second look': 'for a second person',
  'plan/stopped': 'Order {order} is {status}.',
  'plan/stopped-help': 'Set the order to another status, or send this document alone after reading why.',
  'plan/problem-help': 'Mend the cause; it is then built again by itself.',
  'plan/changed': 'It changed since you looked.',
  'plan/changed-help': 'Look at it again, then send it.',
  'plan/not-wanted': '{customer} wants no {kinds}.',
  'plan/not-wanted-help': 'Take it off the list, or change what the customer wants.',
  'plan/no-address': '{customer} has no email address for it.',
  'plan/no-address-help':
    'Add a contact, or issue it without: it gets its number and is Stuck until there is one.',
  'plan/ask-help': 'Ask for one: it waits here until somebody else sends it.',
  'plan/asked': '{why} {person} asked for one.',
  'plan/asked-help': 'Somebody else has to send it.',

  'second/is-over': 'it is over {limit}',
  'second/no-rate': 'there is no rate to say whether it is over {limit}',
  'second/new-address': 'it is the first email to {addresses}',
  'second/new-bank': '{person} changed the bank accounts on it, which nobody else has confirmed',
  'second/why': 'A second person has to send it: {why}.',
  'second/many': 'A second person has to send it: more than {many} would go in one Send.',

  'answers/brand': 'the brand’s address',
  'answers/address': 'another address',
  'answers/salesperson': 'the salesperson',
  'answers/person': 'whoever sends it',
  'sender/person': 'whoever sends it, {name}',
  'sender/shown': '{who} <{address}>',

  'channel/email': 'email',
  'channel/paper': 'print job',
  'queued/email': 'To be sent.',
  'queued/paper': 'To be printed and posted.',

  'pace/minute': '{n} a minute',
  'pace/hour': '{n} an hour',
  'pace/day': '{n} a day',

  'carriage/attached': 'attached',
  'carriage/link': 'as links',
  'carriage/both': 'attached and as links',
  'carriage/body': 'in the text',
  'carriage/links-lacking':
    '“{file}” goes as a link only, and the house has no public address yet. A supervisor writes it in Settings, General; or leave the file out of this email.',
  'carriage/too-large':
    'With its enclosures this email has {size}, and its mail account takes at most {most} MB. Leave an enclosure out of it.',

  'answer/complaint': '{who} called this email unwanted ({feedback}).',
  'answer/left': 'Its mailbox answered that {from} is there no more.',
  'answer/away': '{from} is away; it lies in the mailbox.',
  'answer/other': 'An answer came from {from}.',
  'answer/quoted': '{what} “{said}”',

  'to/no address': 'No address',
  'to/paper': 'Paper, by post',
  'to/nothing': 'Wants nothing',
  'to/not-sent': 'Not sent',
} as const
