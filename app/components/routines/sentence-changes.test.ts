import { describe, expect, test } from 'vitest'
import { checkSentence, kindsOn, type RoutineSentence } from '../../../core/routines/sentence'
import { namedOnly } from '../../../core/preferences/recipients'
import { choiceOfEvent, eventChoices, withEvent, withIssue } from './sentence-changes'

const onShipped: RoutineSentence = {
  statuses: ['Shipped'],
  conditions: [],
  issue: 'invoice',
  to: 'billing',
  delayMinutes: 0,
}

describe('what a routine waits for', () => {
  test('each choice is kept as it is chosen, makes sense, and says itself once', () => {
    expect(new Set(eventChoices.map(({ words }) => words)).size).toBe(eventChoices.length)
    for (const { value } of eventChoices) {
      const sentence = withEvent(onShipped, value)
      expect(choiceOfEvent(sentence)).toBe(value)
      const written = value === 'order status' ? { ...sentence, statuses: ['Shipped'] } : sentence
      expect(() => checkSentence(written, ['Shipped'])).not.toThrow()
    }
  })

  test('what cannot be asked of an account goes, what can of both stays', () => {
    const asked: RoutineSentence = {
      ...onShipped,
      conditions: [
        { about: 'item', is: 'one of', values: ['HB-10N'] },
        { about: 'country', is: 'one of', values: ['IE'] },
        { about: 'total', of: 'gross', is: 'over', amount: '100', currency: 'EUR' },
        { about: 'field', field: 'Season', is: 'filled', value: '' },
      ],
    }
    const ofAccounts = withEvent(asked, 'time payment reminder')
    expect(ofAccounts.conditions).toEqual([{ about: 'country', is: 'one of', values: ['IE'] }])
    expect(ofAccounts).toMatchObject({
      at: { each: 'working day', time: '07:00' },
      issue: 'payment reminder',
      statuses: [],
    })
    expect(withEvent(asked, 'posted invoice').conditions).toHaveLength(4)
  })

  test('a time that was chosen stays with another kind, and goes with another moment', () => {
    const weekly: RoutineSentence = {
      ...withEvent(onShipped, 'time statement of account'),
      at: { each: 'week', on: 1, time: '06:30' },
    }
    expect(withEvent(weekly, 'time payment reminder').at).toEqual(weekly.at)
    expect('at' in withEvent(weekly, 'order status')).toBe(false)
  })
})

describe('what a routine issues', () => {
  const packed = withEvent(onShipped, 'shipment')

  test('goes to whom that kind is for, unless only who is named gets it', () => {
    for (const kind of kindsOn.shipment) expect(withIssue(packed, kind).to).not.toBe('')
    const named: RoutineSentence = { ...packed, to: namedOnly, copyTo: ['bench@supplier.example'] }
    expect(withIssue(named, 'delivery note').to).toBe(namedOnly)
  })

  test('a label is not rehearsed, and has a service only while it is a label', () => {
    const rehearsed = { ...packed, rehearseTo: 'me@tansyhollow.example' }
    const label = withIssue(rehearsed, 'shipping label')
    expect(label).toMatchObject({ rehearseTo: '', service: '' })
    expect('service' in withIssue({ ...label, service: 'Economy' }, 'packing slip')).toBe(false)
  })
})
