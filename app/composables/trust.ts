import type { Trust } from '../../core/routines/sentence'

/** What each level of trust is called and means, and the tone of its tag. */
export const trustWords: Record<Trust, { words: string; means: string; tone: string }> = {
  'by hand': { words: 'By hand', means: 'It only lists what is due. You pick, prepare and send.', tone: '' },
  'after a check': {
    words: 'After a check',
    means: 'It makes the paper and the email, then waits on To check.',
    tone: 'wait',
  },
  automatic: {
    words: 'By itself',
    means: 'It goes. Anything unusual still waits on To check.',
    tone: 'go',
  },
}
