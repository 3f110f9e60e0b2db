/** What waits, and runs of sending. */
export const line = {
  'changed-again': 'It changed once more. Look at it again.',
  'no-such-paper/any-more': 'That document does not exist any more.',
  'no-such-run': 'That Send does not exist.',
} as const
