import { counted, joined, told, type Told } from '../said/told'

/** What the desk reads in the morning: how yesterday went, what waits, and what the day brings. */
export interface MorningFacts {
  house: string
  /** The days that it tells of, in words: "Friday 27 November". */
  since: string
  /** What links begin with; without it there are none. */
  address: string
  sent: number
  printed: number
  stuck: number
  waitingLong: number
  toCheck: number
  toSend: number
  /** Routines that are on and made nothing for thirty days. */
  silent: string[]
  rehearsing: boolean
  paused: boolean
  /** Promises of payment whose day is today, "Bee & Bramble: INV-1, 412.00 EUR". */
  promises: string[]
  /** Accounts in which a level of reminding is due. */
  remindersDue: number
  /** Routines of the clock that have their turn today, "07:30 Reminders in the morning". */
  turns: string[]
}

/** Whom the morning email goes to, and when, in the house's zone; nobody gets one where there is none. */
export interface MorningRule {
  to: string
  /** "08:00" */
  time: string
}

/** Whether anything in it wants a person. */
const wantsSomebody = (facts: MorningFacts) =>
  facts.stuck + facts.waitingLong + facts.toCheck + facts.toSend + facts.remindersDue > 0 ||
  facts.promises.length > 0 ||
  facts.rehearsing ||
  facts.paused

/** The email as plain text. Nothing stands in it that is not so: what is zero is left out. */
export function morningEmail(facts: MorningFacts): { subject: string; text: string } {
  const { stuck, address, house, since: day } = facts
  const link = (path: string) => (address ? `\n  ${address}${path}` : '')
  const line = ({ words }: Told, path = '') => `- ${words}${path && link(path)}`
  const documents = (count: number) => ({ documents: counted(count, 'document') })
  const state = [
    facts.paused && line(told('morning/paused')),
    facts.rehearsing && line(told('morning/rehearsing')),
  ]
  const waits = [
    stuck > 0 && line(told('morning/stuck', { n: stuck }), '/?stage=stuck'),
    facts.waitingLong > 0 &&
      line(told('morning/long', { emails: counted(facts.waitingLong, 'email') }), '/?stage=waiting'),
    facts.toCheck > 0 && line(told('morning/to-check', documents(facts.toCheck)), '/?stage=to+check'),
    facts.toSend > 0 && line(told('morning/to-send', documents(facts.toSend)), '/?stage=to+send'),
    facts.silent.length > 0 &&
      line(told('morning/silent', { routines: joined(facts.silent, 'list/comma') }), '/routines'),
  ]
  const today = [
    ...facts.promises.map((what) => line(told('morning/promised', { what }))),
    facts.remindersDue > 0 &&
      line(
        told('morning/reminders', { accounts: counted(facts.remindersDue, 'account') }),
        '/accounts?only=overdue',
      ),
    ...facts.turns.map((one) => `- ${one}`),
  ]
  const part = ({ words }: Told, lines: readonly (string | false)[]) => {
    const kept = lines.filter((one) => one !== false)
    return kept.length > 0 ? [`${words}\n${kept.join('\n')}`] : []
  }
  const sent = [
    facts.sent > 0 && line(counted(facts.sent, 'email')),
    facts.printed > 0 && line(counted(facts.printed, 'letter')),
  ]
  const text = [
    ...part(told('morning/first'), state),
    ...(sent.some(Boolean)
      ? part(told('morning/gone', { day }), sent)
      : [told('morning/nothing-gone', { day }).words]),
    ...part(told('morning/waiting'), waits),
    ...part(told('morning/today'), today),
  ]
  if (!wantsSomebody(facts)) text.push(told('morning/nothing-waits').words)
  return { subject: subjectOf(facts.paused, stuck, house).words, text: `${text.join('\n\n')}\n` }
}

function subjectOf(paused: boolean, stuck: number, house: string): Told {
  if (paused) return told('morning/subject-paused', { house })
  return stuck > 0 ? told('morning/subject-stuck', { n: stuck, house }) : told('morning/subject', { house })
}
