import { describe, expect, test } from 'vitest'
import { draftLifecycle, preparedLifecycle } from './documents/prepared-states'
import { dispatchLifecycle } from './dispatch/states'
import { importLifecycle } from './imports/states'
import type { Transitions } from './lifecycle'
import { movementLifecycle } from './receivables/movement-states'

const all: Record<string, Transitions<string, string>> = {
  'a dispatch': dispatchLifecycle.transitions,
  'a prepared document': preparedLifecycle.transitions,
  'a draft': draftLifecycle.transitions,
  'an import': importLifecycle.transitions,
  'a bank movement': movementLifecycle.transitions,
}

describe.each(Object.entries(all))('the life of %s', (_, transitions) => {
  test('leads to states that it knows', () => {
    for (const steps of Object.values(transitions))
      for (const after of Object.values(steps)) expect(Object.keys(transitions)).toContain(after)
  })

  test('cannot be changed by anybody who holds it', () => {
    const [first] = Object.values(transitions)
    expect(() => Object.assign(first!, { nonsense: 'anywhere' })).toThrow(TypeError)
  })
})

describe('what is at its end stays there', () => {
  test('an issued document is neither put back nor dropped', () => {
    expect(preparedLifecycle.transitions.issued).toEqual({})
  })

  test('a booked movement is neither matched again nor set aside', () => {
    expect(movementLifecycle.transitions.booked).toEqual({})
  })

  test('a draft is issued once', () => {
    expect(draftLifecycle.steps('issue')).toEqual([{ before: 'open', after: 'issued' }])
  })

  test('an import that is being written is not checked by another mapping meanwhile', () => {
    expect(importLifecycle.next('writing', 'check')).toBeUndefined()
  })
})
