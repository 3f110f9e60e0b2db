import { describe, expect, test } from 'vitest'
import { morningEmail, type MorningFacts } from './morning'

const quiet: MorningFacts = {
  house: 'Tansy Hollow',
  since: 'Friday 27 November',
  address: 'https://papers.tansyhollow.example',
  sent: 0,
  printed: 0,
  stuck: 0,
  waitingLong: 0,
  toCheck: 0,
  toSend: 0,
  silent: [],
  rehearsing: false,
  paused: false,
  promises: [],
  remindersDue: 0,
  turns: [],
}

describe('the morning email', () => {
  test('of a quiet day says that nothing went and nothing waits, and counts nothing', () => {
    expect(morningEmail(quiet)).toEqual({
      subject: 'The morning at Tansy Hollow',
      text: 'Nothing went since Friday 27 November.\n\nNothing waits for you.\n',
    })
  })

  test('says what went, what waits with where it is, and what the day brings', () => {
    const { subject, text } = morningEmail({
      ...quiet,
      sent: 41,
      printed: 1,
      stuck: 2,
      toCheck: 12,
      silent: ['Credit notes when posted'],
      promises: ['Bee & Bramble: INV-1, 412.00 EUR'],
      remindersDue: 1,
      turns: ['07:30 Reminders in the morning'],
    })
    expect(subject).toBe('2 stuck: the morning at Tansy Hollow')
    expect(text).toBe(`Gone since Friday 27 November
- 41 emails
- 1 letter

Waiting for somebody
- 2 stuck, each with its remedy
  https://papers.tansyhollow.example/?stage=stuck
- 12 documents to check
  https://papers.tansyhollow.example/?stage=to+check
- On, and made nothing for thirty days: Credit notes when posted
  https://papers.tansyhollow.example/routines

Today
- Payment is promised for today: Bee & Bramble: INV-1, 412.00 EUR
- A reminder is due in 1 account
  https://papers.tansyhollow.example/accounts?only=overdue
- 07:30 Reminders in the morning
`)
  })

  test('begins with what stops everything', () => {
    const { subject, text } = morningEmail({ ...quiet, paused: true, rehearsing: true })
    expect(subject).toBe('Paused: the morning at Tansy Hollow')
    expect(text).toMatch(/^Before all else\n- Everything is paused/)
    expect(text).not.toContain('Nothing waits for you')
  })

  test('has no links where the house has said no address for them', () => {
    expect(morningEmail({ ...quiet, address: '', toSend: 1 }).text).toContain('- 1 document to send\n')
  })
})
