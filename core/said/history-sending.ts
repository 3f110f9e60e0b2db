/** What the history says of emails and print jobs. */
export const historySending = {
  'sent/again': 'To be sent again.',
  'sent/again-to': 'To be sent again, this once to {address}.',
  'sent/confirm': 'A person said that it arrived.',
  'sent/print': 'Printed and posted.',
  'sent/close': 'Closed: {reason}',
  'sent/held': 'Held: it does not go until somebody lets it.',
  'sent/let-go': 'Let go again.',
  'sent/later': 'To go at another time.',
  'sent/print-instead': 'To be printed and posted instead.',
  'sent/copy': 'A copy is to go to {address}.',
  'sent/taken-out': 'The voided document was taken out; the others go.',
  'sent/waits-turn': 'Waits its turn: the mail account “{account}” takes {pace}.',
  'sent/split': 'Too large for one email: it goes in {parts}.',
  'sent/part': 'Email {place} of {of}: all its files did not fit into one.',
  'sent/rehearsed': 'Rehearsed to {address}. It is held, and still to be sent.',
  'sent/worker-stopped': 'Its worker stopped before anything left; trying again.',

  'sent/to-check': 'The {kind} does not go automatically any more: its order is {status}.',
  'sent/stopped': 'Taken out of Waiting: its order is {status}.',
  'sent/stopped-held': 'Taken out of Waiting: its order is held.',
  'sent/back': 'Let go again: its order came back.',
  'sent/back-held': 'Its order came back; it stays held.',
  'sent/stays-held': 'It stays held until somebody lets it go.',

  'try/accepted': 'Handed to the mail server for {people}.',
  'try/away': 'The mail server is away: trying again in {seconds} s. ({reply})',
  'try/put-off': 'Put off by the mail server: trying again in {seconds} s.',
  'try/unclear': '{remedy} ({reply})',
  'try/refused': 'Refused.',
  'try/said': '{what} The mail server said: {reply}',
  'try/why': '{what} {why}',

  'written/no-copy':
    'A copy of {documents} should go along, and its PDF is not there yet. Send it again in a moment.',
  'written/overtaken':
    'Something was booked on {documents} since this reminder was written: it would ask for too much. Void it, or take it out; the next one asks for what is still open.',
  'written/file-lost':
    '{files} became another file since this email was split. Take it out, and send a copy of the document instead.',

  'trouble/not-sent':
    'It could not be sent because of a fault in Clothespin. Nothing was changed. Tell your IT person this number: {id}.',
  'trouble/not-issued':
    'It could not be issued because of a fault in Clothespin. Nothing was changed. Tell your IT person this number: {id}.',
  'trouble/not-drawn':
    'It could not be drawn because of a fault in Clothespin. Nothing was changed. Tell your IT person this number: {id}.',

  'report/delayed': 'Still trying to reach {recipient}: {reply}',
  'report/delivered': 'Delivered to the mailbox of {recipient}.',
  'report/bounced': 'It came back from {recipient}: {reply}',
  'report/unclear': 'A report came about {recipient}: {action}. Whether everybody got it is not known.',
  'report/stranger': 'A report came about {recipient}, to whom this was not sent: {action} {reply}',
  'report/presumed': 'Presumed to have arrived: no bounce within {seconds} s.',

  'how/a person said so': 'a person said so',
  'how/posted on paper': 'posted on paper',
  'how/delivery report': 'delivery report',
  'how/presumed: no bounce': 'presumed: no bounce',

  'link/made': 'The link to {name} is good until {until}.',
  'link/ended': 'The link to {name} was ended: it gives nothing any more.',
  'link/opened': 'The link to {name} was opened for the first time.',
  'link/wrong-codes': 'The link to {name} was ended after {count} wrong codes.',
  'link/offer': 'The offer in the email was followed for the first time: {url}',
  'link/email-opened': 'The email was opened for the first time.',
  'link/no-more-updates': 'Asked for no more order updates, by this email. “How documents go” says so now.',
} as const
