import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { parseDeliveryStatus } from './delivery-report'
import { causeOf, isTemporary, parseReply } from './reply'
import { dispatchLifecycle, dispatchStates, pauseAfter, retryPauses, type DispatchEvent } from './states'

const { next, steps, transitions } = dispatchLifecycle
const before = (event: DispatchEvent) => steps(event).map((step) => step.before)
const events = [...new Set(Object.values(transitions).flatMap((one) => Object.keys(one)))] as DispatchEvent[]

describe('dispatch states', () => {
  test(
    'nothing is handed over without a claim, and nothing arrives that was not handed over, said by a ' +
      'person, or printed',
    () => {
      expect(before('hand over')).toEqual(['claimed'])
      expect(before('accept')).toEqual(['handing over'])
      expect(before('deliver')).toEqual(['on the way', 'stuck'])
    },
  )

  test('only a person brings a stuck one back', () => {
    expect(next('stuck', 'claim')).toBeUndefined()
    expect(next('stuck', 'send again')).toBe('waiting')
  })

  test('a late bounce brings an arrived paper back', () => {
    expect(next('arrived', 'bounce')).toBe('stuck')
  })

  test('from any state, any run of events stays among the states, and "closed" is the end', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...events), { maxLength: 40 }), (run) => {
        let state = dispatchStates[0] as (typeof dispatchStates)[number]
        for (const event of run) {
          const after = next(state, event)
          if (state === 'closed') expect(after).toBeUndefined()
          state = after ?? state
          expect(dispatchStates).toContain(state)
        }
      }),
    )
  })

  test('pauses grow, then it is given up', () => {
    expect([...retryPauses].sort((a, b) => a - b)).toEqual(retryPauses)
    expect(pauseAfter(1)).toBe(5)
    expect(pauseAfter(retryPauses.length + 1)).toBeUndefined()
  })
})

describe('what a mail server says', () => {
  test('reply and enhanced code', () => {
    expect(parseReply('550 5.1.1 No such user')).toEqual({
      code: 550,
      enhanced: '5.1.1',
      text: '550 5.1.1 No such user',
    })
    expect(parseReply('250-Fine\r\n250 really').text).toBe('250-Fine really')
  })

  test('4xx and a broken line are tried again, 5xx is not', () => {
    expect(isTemporary(parseReply('450 4.2.1 later'))).toBe(true)
    expect(isTemporary(parseReply('connection reset'))).toBe(true)
    expect(isTemporary(parseReply('554 no'))).toBe(false)
  })

  test('a full mailbox is told apart from an unknown one', () => {
    expect(causeOf(parseReply('552 5.2.2 full'), false)).toBe('mailbox full')
    expect(causeOf(parseReply('550 5.1.1 who'), true)).toBe('bounced')
  })

  test('a delivery report is read recipient by recipient, folded lines and all', () => {
    const text = [
      'Reporting-MTA: dns; post.example',
      '',
      'Original-Recipient: rfc822;A@House.example',
      'Final-Recipient: rfc822;b@elsewhere.example',
      'Action: failed',
      'Status: 5.1.1',
      'Diagnostic-Code: smtp; 550 5.1.1',
      '  no such mailbox',
      '',
      'Final-Recipient: rfc822; c@house.example',
      'Action: Delivered',
      'Status: 2.0.0',
      '',
    ].join('\r\n')
    expect(parseDeliveryStatus(text)).toEqual([
      {
        recipient: 'a@house.example',
        action: 'failed',
        status: '5.1.1',
        diagnostic: '550 5.1.1 no such mailbox',
      },
      { recipient: 'c@house.example', action: 'delivered', status: '2.0.0', diagnostic: '' },
    ])
  })
})
