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

const counted = (count: number, noun: string) => `${count} ${noun}${count === 1 ? '' : 's'}`
const documents = (count: number) => counted(count, 'document')

/** Whether anything in it wants a person. */
const wantsSomebody = (facts: MorningFacts) =>
  facts.stuck + facts.waitingLong + facts.toCheck + facts.toSend + facts.remindersDue > 0 ||
  facts.promises.length > 0 ||
  facts.rehearsing ||
  facts.paused

/** The email as plain text. Nothing stands in it that is not so: what is zero is left out. */
export function morningEmail(facts: MorningFacts): { subject: string; text: string } {
  const { stuck, address } = facts
  const link = (path: string) => (address ? `\n  ${address}${path}` : '')
  const line = (words: string, path: string) => `- ${words}${link(path)}`
  const state = [
    facts.paused && '- Everything is paused: nothing leaves.',
    facts.rehearsing && '- A rehearsal is on: nothing leaves the house.',
  ]
  const waits = [
    stuck > 0 && line(`${stuck} stuck, each with its remedy`, '/?stage=stuck'),
    facts.waitingLong > 0 &&
      line(`${counted(facts.waitingLong, 'email')} waiting for over an hour`, '/?stage=waiting'),
    facts.toCheck > 0 && line(`${documents(facts.toCheck)} to check`, '/?stage=to+check'),
    facts.toSend > 0 && line(`${documents(facts.toSend)} to send`, '/?stage=to+send'),
    facts.silent.length > 0 &&
      line(`On, and made nothing for thirty days: ${facts.silent.join(', ')}`, '/routines'),
  ]
  const today = [
    ...facts.promises.map((one) => `- Payment is promised for today: ${one}`),
    facts.remindersDue > 0 &&
      line(
        `A reminder is due in ${facts.remindersDue} ${facts.remindersDue === 1 ? 'account' : 'accounts'}`,
        '/accounts?only=overdue',
      ),
    ...facts.turns.map((one) => `- ${one}`),
  ]
  const part = (heading: string, lines: readonly (string | false)[]) => {
    const kept = lines.filter((one) => one !== false)
    return kept.length > 0 ? [`${heading}\n${kept.join('\n')}`] : []
  }
  const sent = [
    facts.sent > 0 && `- ${counted(facts.sent, 'email')}`,
    facts.printed > 0 && `- ${counted(facts.printed, 'letter')}`,
  ]
  const text = [
    ...part('Before all else', state),
    ...(sent.some(Boolean)
      ? part(`Gone since ${facts.since}`, sent)
      : [`Nothing went since ${facts.since}.`]),
    ...part('Waiting for somebody', waits),
    ...part('Today', today),
  ]
  if (!wantsSomebody(facts)) text.push('Nothing waits for you.')
  const subject = facts.paused
    ? `Paused: the morning at ${facts.house}`
    : stuck > 0
      ? `${stuck} stuck: the morning at ${facts.house}`
      : `The morning at ${facts.house}`
  return { subject, text: `${text.join('\n\n')}\n` }
}
