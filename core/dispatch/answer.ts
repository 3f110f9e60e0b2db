import { told, type Told } from '../said/told'

/** An email that came back to the return path of one of ours and is no delivery report. */
export interface AnswerMail {
  /** Lower case. */
  from: string
  subject: string
  text: string
  /** It says of itself that no person wrote it (RFC 3834, section 5, and what older programs say). */
  isAutomatic: boolean
  /** What a complaint says (RFC 5965, section 3); null where it is none. */
  complaint: { about: string; feedbackType: string } | null
}

/**
 * What such an answer is: a complaint that ours was unwanted, somebody who is there no more, somebody who is away, or
 * something else that a person should read.
 */
export type AnswerKind = 'complaint' | 'left' | 'away' | 'other'

const left = [
  /\bno longer (works?|working|employed|with|at|an employee|part of)\b/i,
  /\b(has|have) left (the |our )?(company|organi[sz]ation|business|firm|school|us\b)/i,
  /\baddress is no longer (in use|used|valid|monitored|active|read)\b/i,
  /\bnicht mehr (bei uns|bei der|im unternehmen|im haus\w*|für uns|für das unternehmen|in unserem)\b/i,
  /\b(das|unser|unseren) (unternehmen|haus|betrieb|verein) verlassen\b/i,
  /\b(nicht mehr|nicht länger) (gelesen|verwendet|abgerufen|genutzt|betreut|gültig|aktiv)\b/i,
  /\bne (travaille|fait) plus (partie|chez|dans|pour)\b/i,
  /\ba quitté (l['’]|la |le |notre |ses fonctions)/i,
  /\bn['’]est plus (utilisée?|valide|relevée?|consultée?|lue|active)\b/i,
]

const away = [
  /\bout of (the )?office\b/i,
  /\bauto(matic|matische)?[- ]?(reply|antwort|response)\b/i,
  /\babwesen(d|heit)/i,
  /\b(réponse automatique|absence|absente?) /i,
]

/** @param mail its phrases are looked for in English, German and French */
export function answerKind({ subject, text, isAutomatic, complaint }: AnswerMail): AnswerKind {
  if (complaint) return 'complaint'
  const words = `${subject}\n${ownWords(text)}`
  if (left.some((phrase) => phrase.test(words))) return 'left'
  return isAutomatic || away.some((phrase) => phrase.test(`${subject} `)) ? 'away' : 'other'
}

/** Without what it quotes of ours. */
export const ownWords = (text: string): string =>
  text
    .split('\n')
    .filter((line) => !line.startsWith('>'))
    .join('\n')

/** What the history says of it, with its first words. */
export function toldAnswer(kind: AnswerKind, { from, subject, text, complaint }: AnswerMail): Told {
  if (kind === 'complaint')
    return told('answer/complaint', {
      who: complaint?.about || from,
      feedback: complaint?.feedbackType || 'abuse',
    })
  const said = [subject, ownWords(text).replace(/\s+/g, ' ').trim()].filter(Boolean).join(': ')
  const what = told(`answer/${kind}`, { from })
  if (!said) return what
  const begins = said.length > 400 ? `${said.slice(0, 400).trimEnd()}…` : said
  return told('answer/quoted', { what, said: begins })
}
