import { describe, expect, test } from 'vitest'
import { changedPreference, isAddress, recipientsFor, toldPreference, type ContactFacts } from './recipients'
import { findSetting } from './settings'
import { inWords } from '../testing/in-words'

describe('a setting is found with its source', () => {
  test('the most particular filled one wins, whatever the order they are given in', () => {
    const found = findSetting([
      { level: 'company', value: 'en' },
      { level: 'customer', value: 'de' },
      { level: 'built in', value: 'fr' },
    ])
    expect(inWords(found)).toMatchObject({ value: 'de', source: 'from the customer' })
  })

  test('an empty one is passed over; the group is named', () => {
    const found = findSetting([
      { level: 'customer', value: '' },
      { level: 'group', value: 'x', name: 'Schools' },
    ])
    expect(inWords(found)).toMatchObject({ value: 'x', source: 'from the group Schools' })
  })

  test("a routine may pin its cover note, which then stands before the customer's", () => {
    expect(
      findSetting([
        { level: 'customer', value: 'c' },
        { level: 'routine', value: 'r', pinned: true },
      ]).value,
    ).toBe('r')
    expect(
      findSetting([
        { level: 'customer', value: 'c' },
        { level: 'routine', value: 'r' },
      ]).value,
    ).toBe('c')
  })

  test('one of another brand is skipped, and that is said', () => {
    const found = findSetting(
      [
        { level: 'customer', value: 'a', brand: 'LS' },
        { level: 'brand', value: 'b', brand: 'TH' },
      ],
      'TH',
    )
    expect(found.value).toBe('b')
    expect(inWords(found.skipped)).toEqual(['from the customer belongs to another brand'])
  })
})

describe('recipients', () => {
  const contact = (email: string, role: ContactFacts['role']): ContactFacts => ({ name: email, email, role })

  test('all billing contacts, each address once', () => {
    const found = recipientsFor({
      role: 'billing',
      contacts: [
        contact('a@h.example', 'billing'),
        contact('A@H.example', 'billing'),
        contact('b@h.example', 'billing'),
        contact('c@h.example', 'buying'),
      ],
    })
    expect(found.map((one) => one.address)).toEqual(['a@h.example', 'b@h.example'])
  })

  test('without one, a contact for anything; never somebody of another role', () => {
    expect(
      recipientsFor({
        role: 'billing',
        contacts: [contact('a@h.example', 'anyone'), contact('b@h.example', 'buying')],
      }).map((one) => one.address),
    ).toEqual(['a@h.example'])
    expect(recipientsFor({ role: 'billing', contacts: [contact('b@h.example', 'buying')] })).toEqual([])
  })

  test("the customer's wish for another role stands before the routine's", () => {
    const found = recipientsFor({
      role: 'billing',
      preference: { to: 'buying' },
      contacts: [contact('a@h.example', 'billing'), contact('b@h.example', 'buying')],
    })
    expect(inWords(found)).toMatchObject([
      { address: 'b@h.example', source: 'the customer’s buying contact, as the customer wishes' },
    ])
  })

  test('copies are united, each with its source; nobody is written to twice, To before CC before BCC', () => {
    const found = recipientsFor({
      role: 'billing',
      contacts: [contact('a@h.example', 'billing')],
      copyTo: ['desk@us.example', 'A@h.example'],
      preference: { cc: ['boss@h.example', 'desk@us.example'], bcc: ['audit@h.example', 'boss@h.example'] },
    })
    expect(found.map((one) => `${one.as} ${one.address} (${one.source.words})`)).toEqual([
      'To a@h.example (the customer’s billing contact)',
      'CC desk@us.example (a copy from the routine)',
      'CC boss@h.example (a copy the customer wishes)',
      'BCC audit@h.example (a blind copy at the customer)',
    ])
  })

  test('copies alone are no letter', () => {
    expect(
      recipientsFor({
        role: 'billing',
        contacts: [contact('b@h.example', 'buying')],
        copyTo: ['desk@us.example'],
      }),
    ).toEqual([])
  })

  test('a change of a wish leaves the rest, and null takes a part away', () => {
    expect(
      changedPreference({ channel: 'paper', cc: ['x@h.example'] }, { gathered: true, cc: null }),
    ).toEqual({
      channel: 'paper',
      gathered: true,
    })
    expect(changedPreference({ gathered: true }, { gathered: null })).toBeUndefined()
    expect(changedPreference(undefined, {})).toBeUndefined()
  })

  test('a wish reads as a sentence', () => {
    expect(toldPreference({ channel: 'both', to: 'buying', cc: ['x@h.example'] })?.words).toBe(
      'by email and on paper, to the buying contact, with a copy to x@h.example',
    )
    expect(toldPreference({ channel: 'nothing', cc: ['x@h.example'] })?.words).toBe('not at all')
    expect(toldPreference(undefined)).toBeNull()
  })

  test.each(['a@h.example', 'a.b+c@sub.h.example'])('%s can be written to', (address) =>
    expect(isAddress(address)).toBe(true),
  )
  test.each([
    '',
    'a',
    'a@h',
    'a b@h.example',
    'a@h.example, b@h.example',
    'a@h..example',
    'a@h.example\nBcc: x@y.example',
    '<a@h.example>',
  ])('%j cannot', (address) => expect(isAddress(address)).toBe(false))
})
