import { describe, expect, test } from 'vitest'
import { parseDeliveryStatus } from './delivery-report'
import { outcomeOf } from './outcome'
import { provocations, provokedAddress, provokedBy, provokedReport, provokedResult } from './provoked'

describe('a provoked failure', () => {
  test('is asked for by an address that exists nowhere, and by no other', () => {
    expect(provocations.map((what) => provokedBy(['x@house.example', provokedAddress(what)]))).toEqual([
      ...provocations,
    ])
    expect(provokedBy(['refused@house.example', 'other@provoked.invalid'])).toBeUndefined()
  })

  test('ends as the real one does', () => {
    const end = (what: (typeof provocations)[number]) =>
      outcomeOf(provokedResult(what, [provokedAddress(what)]), 1)
    expect(end('refused')).toMatchObject({ event: 'refuse', cause: 'refused' })
    expect(end('full')).toMatchObject({ event: 'refuse', cause: 'mailbox full' })
    expect(end('late')).toMatchObject({ event: 'defer', pause: 5 })
    expect(end('bounced')).toMatchObject({ event: 'accept' })
  })

  test('that bounces comes back with a report that is read as any other', () => {
    expect(parseDeliveryStatus(provokedReport('bounced@provoked.invalid'))).toMatchObject([
      { recipient: 'bounced@provoked.invalid', action: 'failed', status: '5.1.1' },
    ])
  })
})
