/** What waits, and runs of sending. */
export const line = {
  'changed-again': 'It changed once more. Look at it again.',
  'left-already': 'This email has left meanwhile, or is just leaving. What was sent stands under Email.',
  'no-such-email': 'There is no such email.',
  'no-such-paper/any-more': 'That document does not exist any more.',
  'no-such-run': 'That Send does not exist.',
} as const
