import type { Trust } from '../../core/routines/sentence'

/** What each level of trust is called and means, and the tone of its tag. */
export const trustWords: Record<Trust, { words: string; means: string; tone: string }> = {
  'by hand': { words: 'By hand', means: 'It only lists what is due. You pick, prepare and send.', tone: '' },
  'after a check': {
    words: 'After a check',
    means: 'It makes the document and the email, then waits in To check.',
    tone: 'wait',
  },
  automatic: {
    words: 'Automatic',
    means: 'It goes. Anything unusual still waits in To check.',
    tone: 'go',
  },
}
