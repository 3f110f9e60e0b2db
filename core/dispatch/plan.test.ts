import { describe, expect, test } from 'vitest'
import { channelFacts, channelNames, channelsFor, isByWorker, workerChannels } from './channels'
import { planSending, type SendQuestion } from './plan'
import { waysOf } from './ways'
import { documentKinds } from '../documents/kinds'
import { channels } from '../preferences/recipients'
import { asWritten } from '../said/told'

const question = (change: Partial<SendQuestion> = {}): SendQuestion => ({
  kind: 'invoice',
  channel: 'email',
  hasAddress: true,
  problem: null,
  changed: false,
  stopped: null,
  orderNumber: 'SO-20931',
  customerName: 'Ottermill Honey',
  ...change,
})
const bar = (change: Partial<SendQuestion>) => {
  const plan = planSending(question(change))
  return plan.goes ? null : plan.bar
}
const ways = (change: Partial<SendQuestion>) => {
  const plan = planSending(question(change))
  return plan.goes ? plan.channels : null
}

describe('whether a prepared document goes', () => {
  test('by the ways that company, kind and customer agree on', () => {
    expect(ways({})).toEqual(['email'])
    expect(ways({ channel: 'paper' })).toEqual(['paper'])
    expect(ways({ channel: 'both' })).toEqual(['email', 'paper'])
  })

  test.each([
    ['stopped', { stopped: 'Held' }],
    ['problem', { problem: asWritten('The logo is missing.') }],
    ['changed', { changed: true }],
    ['no address', { hasAddress: false }],
    ['not wanted', { kind: 'order confirmation', channel: 'nothing' }],
  ] as const)('not: %s, with a reason and what helps', (wanted, change) => {
    const plan = planSending(question(change))
    expect(plan).toMatchObject({ goes: false, bar: wanted })
    if (plan.goes) return
    expect(plan.reason.words).toMatch(/\.$/)
    expect(plan.help.words).toMatch(/\.$/)
  })

  test('an order that is held is said before all else: nothing else is worth mending first', () => {
    expect(bar({ stopped: 'Held', problem: asWritten('x'), changed: true, hasAddress: false })).toBe(
      'stopped',
    )
    expect(bar({ problem: asWritten('x'), changed: true, hasAddress: false })).toBe('problem')
    expect(bar({ changed: true, hasAddress: false })).toBe('changed')
  })

  test('a person who read that its order is held lets it go; nobody lets go what cannot be made', () => {
    expect(ways({ stopped: 'Held', despite: true })).toEqual(['email'])
    expect(bar({ stopped: 'Held', despite: true, problem: asWritten('x') })).toBe('problem')
    expect(bar({ stopped: 'Held', despite: true, changed: true })).toBe('changed')
  })

  test('without an address it is issued only once somebody read that it will be stuck', () => {
    expect(bar({ hasAddress: false })).toBe('no address')
    expect(ways({ hasAddress: false, withoutAddress: true })).toEqual(['email'])
    expect(bar({ hasAddress: false, channel: 'both' })).toBe('no address')
  })

  test('on paper it needs no email address', () => {
    expect(ways({ channel: 'paper', hasAddress: false })).toEqual(['paper'])
  })

  test('an invoice is issued although its customer wants none sent: it is owed all the same', () => {
    expect(ways({ channel: 'nothing', hasAddress: false })).toEqual([])
    expect(ways({ kind: 'credit note', channel: 'nothing' })).toEqual([])
    expect(bar({ kind: 'payment receipt', channel: 'nothing' })).toBe('not wanted')
  })

  test('issued only, it goes nowhere and asks for nobody to go to', () => {
    expect(ways({ issueOnly: true, hasAddress: false })).toEqual([])
    expect(bar({ issueOnly: true, changed: true })).toBe('changed')
  })

  test('of every kind and way there is an answer', () => {
    for (const kind of documentKinds)
      for (const channel of channels)
        expect(typeof planSending(question({ kind, channel })).goes).toBe('boolean')
  })
})

describe('the ways by which documents leave', () => {
  test('answer each wish of a customer but none, and both by two', () => {
    expect(Object.fromEntries(channels.map((wish) => [wish, channelsFor(wish)]))).toEqual({
      email: ['email'],
      paper: ['paper'],
      both: ['email', 'paper'],
      nothing: [],
    })
  })

  test('are handed over by a worker or by a person, and lists say what stands for an address', () => {
    expect(workerChannels).toEqual(['email'])
    expect([isByWorker('email'), isByWorker('paper'), isByWorker('pigeon')]).toEqual([true, false, false])
    for (const name of channelNames)
      expect(channelFacts[name].addressed || channelFacts[name].sendTo.length > 0).toBe(true)
  })
})

describe('how each kind goes to a customer', () => {
  const customer = (change: Partial<Parameters<typeof waysOf>[0]> = {}) => ({
    name: 'Ottermill Honey',
    billing: { name: 'Ottermill Honey', lines: ['Mill Lane'], country: 'IE' },
    wished: {},
    contacts: [{ name: 'Accounts', email: 'accounts@ottermill.example', role: 'billing' as const }],
    ...change,
  })
  const wayOf = (kind: string, change: Partial<Parameters<typeof waysOf>[0]> = {}) =>
    waysOf(customer(change)).find((one) => one.kind === kind)!

  test('is said for every kind, before anyone tries', () => {
    expect(waysOf(customer()).map((one) => one.kind)).toEqual(documentKinds)
    expect(wayOf('invoice')).toMatchObject({ to: 'accounts@ottermill.example', problem: null })
  })

  test('says what is missing: an address to print, then somebody to write to', () => {
    expect(wayOf('invoice', { billing: null }).problem?.words).toBe('no postal address')
    expect(wayOf('invoice', { contacts: [] }).problem?.words).toBe('no billing contact')
    expect(wayOf('order confirmation').problem?.words).toBe('no buying contact')
  })

  test('finds nothing wrong where nothing is wanted, or where paper is', () => {
    const wished = {
      invoice: { channel: 'paper' as const },
      'credit note': { channel: 'nothing' as const },
    }
    expect(wayOf('invoice', { wished, contacts: [] }).problem).toBeNull()
    expect(wayOf('credit note', { wished, contacts: [], billing: null }).problem).toBeNull()
  })
})
