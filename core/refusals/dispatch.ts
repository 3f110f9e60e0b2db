/** Emails: who gets them, what they say, when they go. */
export const dispatch = {
  'bad-field':
    "“{found}” in the email's {where} is not a field. Type {brace} and choose the field from the list.",
  'bad-time': 'Choose a time from now on, within 60 days.',
  'empty-field':
    "The email's text needs “{name}”, which this document does not have. Select the field and say what stands instead, or choose “Only if” for the words around it.",
  'empty-subject': 'The email has no subject. Write one.',
  'empty-text': 'The email has no text. Write one.',
  'goes-already': 'A copy to {to} is already waiting to go.',
  'no-such-picture/email': 'That picture is not kept here. Choose it again.',
  'no-pdf':
    'It came without a PDF from the program before. Bring it in a ZIP: Accounts, open items of the earlier program.',
  'no-reason': 'Say in a few words why it is closed.',
  'not-ours':
    '{number} came over from the program before, so it is not drawn here. Save the PDF that came with it instead.',
  'not-unsent': 'One of these documents is already on its way. Look again.',
  'nothing-to-print': 'None of these waits for the printer any more.',
  'nothing-to-print/overtaken':
    'Something was booked since on what these reminders ask for: they would ask for too much. Void them in the Register.',
  'one-by-one/emails': 'Emails of held or withdrawn orders are let go one by one.',
  'on-its-way': 'It is just being sent, or somebody was there first. Look again in a moment.',
  'order-stopped/email':
    'The order of {number} is {stopped}, so it is held. Such emails are let go one by one.',
  'order-stopped/several':
    'The order of {number} is {stopped}, so {count} of these are held. Such emails are let go one by one.',
  'sent-before': '{document} already went to {to} on {day}. Send it again?',
  'unknown-address': "{from} is at no customer and in no copy any more. Look at the customer's contacts.",
  'unknown-merge-field': 'There is no field called “{unknown}” (in the {where}). Fields are {fields}.',
  'unknown-merge-field/meant':
    'There is no field called “{unknown}” (in the {where}). Did you mean “{near}”? Fields are {fields}.',
  void: '{document} is void: it is not sent to anybody any more.',
  'wants-none':
    '{customer} wants no {kinds}. Send a copy to an address you name, or change what the customer wants.',
} as const
