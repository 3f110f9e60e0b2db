import { describe, expect, test } from 'vitest'
import { planSending, type SendQuestion } from '../dispatch/plan'
import { isSecond, noSecondLook, ruleFor, secondLookWhy, wantsSecondLooks } from './second-look'
import { inWords } from '../testing/in-words'
import { asWritten } from '../said/told'

const facts = { inHome: '100', home: 'EUR', newAddresses: [], banksChangedBy: null }
const rule = { above: '5000', newAddress: true, newBank: true, many: 10 }
const asked = { id: 3, name: 'Maeve Tarrant', at: '2026-11-29T03:00:00Z' }

describe('why a second person has to send a document', () => {
  test('is nothing where the house says nothing, or nothing is dear', () => {
    expect(wantsSecondLooks(noSecondLook)).toBe(false)
    const dear = { ...facts, inHome: '99999', newAddresses: ['new@house.example'], banksChangedBy: 'Col' }
    expect(secondLookWhy(noSecondLook, dear)).toBeNull()
    expect(secondLookWhy(rule, facts)).toBeNull()
  })

  test('is a sum over the limit, not one that meets it; credits count by their size', () => {
    expect(secondLookWhy(rule, { ...facts, inHome: '5000.00' })).toBeNull()
    expect(secondLookWhy(rule, { ...facts, inHome: '5000.01' })?.words).toContain('over 5,000.00 EUR')
    expect(secondLookWhy(rule, { ...facts, inHome: '-5000.01' })?.words).toContain('over 5,000.00 EUR')
  })

  test('is no sum where nothing is asked for: a statement says what was, an order update says where it is', () => {
    const limits = (['invoice', 'statement of account', 'order update'] as const).map(
      (kind) => ruleFor(kind, rule).above,
    )
    expect(limits).toEqual(['5000', null, null])
    expect(ruleFor('order update', rule).newAddress).toBe(true)
  })

  test('is a currency that nobody knows a rate of', () => {
    expect(secondLookWhy(rule, { ...facts, inHome: null })?.words).toContain('no rate')
  })

  test('names the address and who changed the accounts, all that holds', () => {
    expect(
      secondLookWhy(rule, { ...facts, newAddresses: ['new@house.example'], banksChangedBy: 'Col Varley' })
        ?.words,
    ).toBe(
      'A second person has to send it: it is the first email to new@house.example; ' +
        'Col Varley changed the bank accounts on it, which nobody else has confirmed.',
    )
  })
})

describe('what a Send does with it', () => {
  const question: SendQuestion = {
    kind: 'invoice',
    channel: 'email',
    hasAddress: true,
    problem: null,
    changed: false,
    stopped: null,
    orderNumber: 'SO-7',
    customerName: 'Ottermill',
    secondLook: asWritten('A second person has to send it: it is over 5,000.00.'),
  }

  test('it waits until somebody asks, then for somebody else; no routine lets it go', () => {
    expect(planSending({ ...question, senderId: 3 })).toMatchObject({ goes: false, bar: 'second look' })
    expect(inWords(planSending({ ...question, asked, senderId: 3 }))).toMatchObject({
      bar: 'second look',
      help: 'Somebody else has to send it.',
    })
    expect(planSending({ ...question, asked, senderId: null })).toMatchObject({ bar: 'second look' })
    expect(planSending({ ...question, asked, senderId: 4 })).toMatchObject({ goes: true })
  })

  test('a second person does not overrule what else is wrong', () => {
    expect(planSending({ ...question, asked, senderId: 4, hasAddress: false })).toMatchObject({
      bar: 'no address',
    })
  })

  test('nobody is their own second person, and nobody is one unasked', () => {
    expect([isSecond(asked, 3), isSecond(asked, 4), isSecond(null, 4), isSecond(asked, null)]).toEqual([
      false,
      true,
      false,
      false,
    ])
  })
})
