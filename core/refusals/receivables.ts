/** Payments, bank statements and open items. */
export const receivables = {
  'bad-statement/amount': 'Entry {place} has no amount with a currency. Nothing was read.',
  'bad-statement/day': 'Entry {place} has no booking date. Nothing was read.',
  'booked-already': 'It is booked already, by {by}.',
  'booked-already/now': 'It is being booked.',
  'booked-before':
    '{amount} {currency} of {day} {direction} {name} is booked already, by {by}. Is this another one?',
  'closed-period/payment':
    '{day} lies in a closed period (closed until {day2}). Give a later day, or have a supervisor open the period.',
  'empty-file': 'That file is empty.',
  'future-date': '{day} is in the future. Give the day the money moved.',
  'given-back': 'Part of that payment was refunded. Take the refund back first.',
  'named-twice': 'One document is named twice. Name each once.',
  'no-amount': 'A payment or refund is over zero. To take one back, undo it.',
  'no-such-document/nothing-paid': 'That document does not exist, or nothing is ever paid on it.',
  'no-such-entry': 'That movement does not exist.',
  'no-such-payment': 'That payment does not exist.',
  'no-zip': 'This is no ZIP file that can be read. Pack the PDFs into one.',
  'not-a-statement/document-type':
    'This XML declares a document type, which no bank statement does. It was not read.',
  'not-a-statement/empty': 'No booked movement stands in this statement.',
  'not-a-statement/other':
    'This is no bank statement: an ISO 20022 camt.053 file has a “BkToCstmrStmt”. Ask the bank for that format, or use its CSV.',
  'not-a-statement/too-large': 'This XML has more {what} than any bank statement. It was not read.',
  'not-to-be-made': '{words}',
  'not-xml': 'This is no well-formed XML: line {place}',
  'nothing-on-account': 'That is no payment of {name} that can be given back.',
  'nothing-open': 'Nothing is open on that document.',
  'nothing-open/any-more':
    'Nothing is open on {item} any more. Somebody may have booked this payment, or it is credited.',
  'nothing-open/refund': 'Nothing is to be refunded on {item}.',
  'nothing-settled': 'Nothing would be booked on {item}. Give an amount over zero, or leave it out.',
  'nothing-sure': 'None of these waits to be booked any more. Look again.',
  'not-to-remind/nothing-open': 'Nothing is open on {number} any more, so there is nothing to remind of.',
  'not-to-remind/not-late': '{number} is due on {day}: it is not late yet.',
  'not-to-remind/disputed':
    '{number} is disputed: “{dispute}”. Settle that first, or take the mark away in Accounts.',
  'not-to-remind/promised':
    'Payment of {number} is promised for {day}. Wait for it, or take the mark away in Accounts.',
  'reminded-lately':
    '{number} was reminded of on {day}, and reminders are {days} days apart. Send it all the same?',
  'nothing-waived': 'So much of {number} is not waived any more, so nothing was taken back. Look again.',
  'bad-waiver': 'At most what is open can be waived, above zero: {open} {currency}.',
  'open-changed': 'By now {open} {currency} are open on {number}, so nothing was waived. Look at it again.',
  'other-currency': '{item} is in {currency}, the payment in {currency2}.',
  'other-customer': "{item} is not {customer}'s.",
  'over-open': '{item} has {open} {currency} open, and {booked} would be booked on it.',
  'over-open/on-account': 'Of that payment {open} {currency} are on account.',
  'over-settled': '{booked} {currency} would be booked, and only {paid} was paid.',
  'over-settled/on-account': 'Of that payment {open} {currency} are on account.',
  'over-settled/refund': 'More is given back than is refunded.',
  'read-before': 'This file was read on {day} by {by}, as {name}. Nothing was booked again.',
  'money-arrived': '{words}',
  'read-before/now': 'This file is just being read.',
  'reminder-waits': 'A reminder of {day} waits in To check already. Send it, or return it to To send first.',
  'statement-off':
    'The books of this account do not come to what is open: {booked} {currency} are booked, {open} {currency} are open. No statement is made of that; ask whoever looks after Clothespin.',
  'no-level': 'It is not at that level any more, so nothing was set back. Look at it again.',
  'no-such-account': 'That account does not exist, or nothing was ever booked on it.',
  'statement-days': 'A statement ends today or earlier, and begins before it ends.',
  'too-large/pdfs': 'These PDFs are more than 200 MB. Give them in several ZIPs.',
  undone: 'That payment was taken back.',
  'undone/already': 'That payment was taken back already.',
  'undone/counter-entry': 'That is a counter-entry. Record the payment again instead.',
  'voided/nothing-owed':
    '{item} was voided: nothing is owed on it. Keep the payment on account, or refund it.',
} as const
