import { describe, expect, test } from 'vitest'
import { accountFor, accountWords, type BankAccount } from './bank'
import { dateRefusal, eventDate } from './document-date'
import { documentKinds } from './kinds'
import { registerAmount } from './register-amount'
import { orderOf, screenOf, sources } from './sources'
import { unitWords } from './units'
import { draftStatus, prepareRefusal, stopOfStatus, toldStop } from '../orders/statuses'

describe('the date of a document', () => {
  const limits = { today: '2026-11-27', closedUntil: '2026-09-30', newest: '2026-11-20', earlierOk: false }

  test.each([
    ['2026-11-27', undefined],
    ['2026-11-20', undefined],
    ['2026-11-28', 'in the future'],
    ['2026-11-19', 'dates would run backwards'],
    ['2026-09-30', 'lies in a closed period'],
    ['2026-08-01', 'lies in a closed period'],
  ])('%s: %s', (date, words) => {
    const refusal = dateRefusal(date, limits)?.words
    if (words === undefined) expect(refusal).toBeUndefined()
    else expect(refusal).toContain(words)
  })

  test('may run backwards where a person said so, but never into a closed period or the future', () => {
    const said = { ...limits, earlierOk: true }
    expect(dateRefusal('2026-11-01', said)).toBeUndefined()
    expect(dateRefusal('2026-09-30', said)?.words).toContain('closed period')
    expect(dateRefusal('2026-12-01', said)?.words).toContain('future')
  })

  test('of a new series in a house that closed nothing is any day until today', () => {
    const free = { today: '2026-11-27', closedUntil: null, newest: null, earlierOk: false }
    expect(dateRefusal('2020-01-01', free)).toBeUndefined()
  })

  test('that follows its event is the event’s day, moved only as far as it must be', () => {
    const { today, closedUntil, newest } = limits
    const of = (day: string) => eventDate(day, { today, closedUntil, newest })
    expect(of('2026-11-25')).toBe('2026-11-25')
    expect(of('2026-11-10')).toBe('2026-11-20')
    expect(of('2026-09-15')).toBe('2026-11-20')
    expect(of('2026-12-24')).toBe('2026-11-27')
    expect(eventDate('2026-09-30', { today, closedUntil, newest: null })).toBe('2026-10-01')
  })

  test('that follows its event is never refused', () => {
    const { today, closedUntil, newest } = limits
    for (const day of ['2026-01-01', '2026-09-30', '2026-10-01', '2026-11-20', '2026-11-27', '2027-05-05'])
      expect(dateRefusal(eventDate(day, { today, closedUntil, newest }), limits)).toBeUndefined()
  })
})

describe('the status of an order', () => {
  const stopping = { withdrawnStatuses: ['Withdrawn', 'Lost'], heldStatuses: ['Held', 'Lost'] }

  test('stops its documents as the company says, withdrawn before held', () => {
    expect(stopOfStatus('Held', stopping)).toBe('held')
    expect(stopOfStatus('Withdrawn', stopping)).toBe('withdrawn')
    expect(stopOfStatus('Lost', stopping)).toBe('withdrawn')
    expect(stopOfStatus('Shipped', stopping)).toBeNull()
    expect(toldStop('SO-1', 'Held').words).toBe('Order SO-1 is Held, so nothing of it goes.')
  })

  test('of one still being written makes nothing, whatever the kind', () => {
    for (const kind of documentKinds)
      expect(
        prepareRefusal(kind, { number: 'SO-1', status: draftStatus, suppliedOn: '2026-11-27' })?.words,
      ).toContain('Confirm it first')
  })

  test('an invoice needs a date of supply, a confirmation does not', () => {
    const order = { number: 'SO-1', status: 'Packed', suppliedOn: null }
    expect(prepareRefusal('invoice', order)?.words).toContain('has no date of supply yet')
    expect(prepareRefusal('order confirmation', order)).toBeNull()
    expect(prepareRefusal('invoice', { ...order, suppliedOn: '2026-11-27' })).toBeNull()
  })
})

describe('what a document adds to the sums of the Register', () => {
  const of = (kind: 'invoice' | 'credit note' | 'order confirmation', voided = false, ofOneKind = false) =>
    registerAmount({ kind, total: '120.10', voided }, ofOneKind)

  test('invoices add, credit notes take away, void ones count nothing', () => {
    expect([of('invoice'), of('credit note'), of('invoice', true)]).toEqual(['120.10', '-120.1', '0'])
  })

  test('what is not posted counts only among its own kind', () => {
    expect([of('order confirmation'), of('order confirmation', false, true)]).toEqual(['0', '120.10'])
  })
})

describe('a unit in the language of the document', () => {
  test.each([
    ['pair', '10', 'de', 'Paar'],
    ['box', '1', 'de', 'Karton'],
    ['boxes', '2', 'de', 'Kartons'],
    ['Karton', '3', 'fr', 'cartons'],
    ['jar', '1.5', 'fr', 'pot'],
    ['jar', '2', 'fr', 'pots'],
    ['jar', '1.5', 'en', 'jars'],
    ['jar', '-1', 'en', 'jar'],
    [' JAR ', '1', 'en', 'jar'],
  ] as const)('%s × %s in %s is %s', (unit, quantity, language, words) =>
    expect(unitWords(unit, quantity, language)).toBe(words),
  )

  test.each(['kg', 'm²', 'frame', ''])('%s stays as it is', (unit) =>
    expect(unitWords(unit, '2', 'de')).toBe(unit),
  )
})

describe('the account that a document asks to pay into', () => {
  const account = (iban: string, currency: BankAccount['currency'], bic = ''): BankAccount => ({
    name: 'Demo Bank',
    iban,
    bic,
    currency,
  })

  test('is the one kept for its currency, else one for any, else the first there is', () => {
    const [euro, any, pounds] = [account('1', 'EUR'), account('2', ''), account('3', 'GBP')]
    expect(accountFor([any, euro, pounds], 'GBP')).toBe(pounds)
    expect(accountFor([euro, any], 'CHF')).toBe(any)
    expect(accountFor([euro, pounds], 'CHF')).toBe(euro)
    expect(accountFor([], 'EUR')).toBeNull()
  })

  test('is written in groups of four, with its BIC where it has one', () => {
    expect(accountWords(account('IE35DEMO00000012345678', '', 'DEMOIE00'))).toBe(
      'IBAN IE35 DEMO 0000 0012 3456 78, BIC DEMOIE00',
    )
    expect(accountWords(account('DE00', ''))).toBe('IBAN DE00')
  })
})

describe('what a document is made of', () => {
  test('has a screen of its own', () => {
    const at = (sourceKind: keyof typeof sources) => screenOf({ sourceId: 7, sourceKind, customerId: 3 })
    expect([at('order'), at('draft'), at('payment'), at('account')]).toEqual([
      '/orders/7',
      '/drafts/7',
      '/accounts?customer=3&payment=7',
      '/accounts?customer=3',
    ])
  })

  test('belongs to an order only where it is of one, or a part of one', () => {
    expect(orderOf({ rootId: 7, rootKind: 'order' })).toBe(7)
    expect(orderOf({ rootId: 7, rootKind: 'payment' })).toBeNull()
  })
})
