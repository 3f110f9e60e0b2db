/** Why a document is a difference of its day. */
export const register = {
  'difference/unbalanced':
    'What is open, paid and credited does not add up to what was posted. Tell who looks after Clothespin.',
  'difference/double': 'Its number stands twice. Tell who looks after Clothespin.',
  'difference/no-pdf': 'Its PDF is not made yet.',
  'difference/unsent': '{kind} that was issued and not sent: it waits in To send.',
  'difference/stuck': 'Stuck: {cause}.',
  'difference/printer': 'Waits for the printer.',
  'difference/closed': 'Closed: nothing was sent.',
  'difference/waits': 'Waits to go.',
  'difference/on-the-way': 'On the way: not heard of yet.',
  'number/credited-with': 'credited with {numbers}',
  'number/issued': 'issued',
  'number/void': 'void',
  'number/credited': 'credited',
  'number/part credited': 'part credited',
} as const
