import { describe, expect, test } from 'vitest'
import { choicesFor, nameIn, newConditions } from './routineWords'
import { lasted, partSays, runState } from './runWords'
import type { RoutineChoices, RunHeader, RunPart } from '../contract'

const run = (change: Partial<RunHeader> = {}) =>
  ({
    takenBackBy: null,
    endedAt: '2026-11-27T12:00:00Z',
    goesAt: '2026-11-27T11:00:00Z',
    stoppedBy: null,
    rehearsed: 0,
    issued: 3,
    chosen: 3,
    ...change,
  }) as RunHeader
const now = Date.parse('2026-11-27T11:30:00Z')

describe('how far a Send is', () => {
  test.each([
    [{}, 'all issued'],
    [{ issued: 2 }, 'partly issued'],
    [{ issued: 0 }, 'none issued'],
    [{ issued: 0, rehearsed: 3 }, 'rehearsed'],
    [{ issued: 1, stoppedBy: 'Col Varley' }, 'stopped'],
    [{ takenBackBy: 'Col Varley', endedAt: null }, 'taken back'],
    [{ endedAt: null }, 'under way'],
    [{ endedAt: null, goesAt: '2026-11-27T11:31:00Z' }, 'in undo time'],
  ])('%j is "%s"', (change, words) => expect(runState(run(change), now).words).toBe(words))

  test('in its report, a part says its documents and the mails they went in', () => {
    const part = (change: Partial<RunPart>) => ({ emails: 0, prints: 0, documents: 1, ...change }) as RunPart
    expect(partSays(part({ documents: 3, emails: 1 }))).toBe('3 documents in 1 email')
    expect(partSays(part({ documents: 4, emails: 2, prints: 1 }))).toBe(
      '4 documents in 2 emails and 1 print job',
    )
    expect(partSays(part({}))).toBe('1 document')
  })

  test.each([
    [300, 'under a second'],
    [12_000, '12 s'],
    [200_000, '3 min 20 s'],
  ])('%i ms lasted "%s"', (ms, words) => expect(lasted(new Date(0), new Date(ms))).toBe(words))
})

const choices = {
  statuses: ['Packed', 'Shipped'],
  brands: [{ value: 'TH', words: 'Tansy Hollow' }],
  customers: [{ value: '10417', words: 'Ottermill Honey' }],
  items: [{ value: 'HB-10N', words: 'HB-10N Brood box' }],
  groups: ['Schools'],
  countries: ['IE', 'DE'],
  salespersons: ['Maeve Tarrant'],
  currencies: ['EUR', 'GBP'],
  fields: ['Season order'],
  customerFields: ['Hive count'],
} as unknown as RoutineChoices // the words of kinds and people are not asked here

describe('the choices of a condition', () => {
  test('are called as people call them, and kept as the house names them', () => {
    expect(choicesFor(choices, 'country')).toEqual([
      { value: 'IE', words: 'Ireland' },
      { value: 'DE', words: 'Germany' },
    ])
    expect(choicesFor(choices, 'group')).toEqual([{ value: 'Schools', words: 'Schools' }])
    expect(nameIn(choices)('brand', 'TH')).toBe('Tansy Hollow')
    expect(nameIn(choices)('customer', '10417')).toBe('Ottermill Honey')
  })

  test('that are gone are called by what they were kept as', () =>
    expect(nameIn(choices)('customer', '99999')).toBe('99999'))

  test('begin empty, one for each subject and own field', () => {
    const offered = newConditions(choices, 'order status')
    expect(offered.map((one) => one.words)).toContain('its field “Season order” …')
    expect(offered[0]!.condition).toMatchObject({ about: 'total', amount: '', currency: 'EUR' })
    expect(new Set(offered.map((one) => one.words)).size).toBe(offered.length)
    for (const { condition } of offered.slice(1, 8)) expect(condition).toMatchObject({ values: [] })
  })

  test('are asked of accounts only as far as an account has such a thing', () => {
    const offered = newConditions(choices, 'time').map((one) => one.words)
    expect(offered).toContain('what is past due is over …')
    expect(offered).not.toContain('it holds the item …')
    expect(offered).not.toContain('its field “Season order” …')
    expect(offered).toContain('its field “Hive count” …')
  })
})
