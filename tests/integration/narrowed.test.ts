import { beforeEach, describe, expect, test } from 'vitest'
import { run } from '../../server/db/connection'
import { dropFilter, keepFilter, savedFilters } from '../../server/services/house/saved-filters'
import { accounts } from '../../server/services/receivables/accounts-queries'
import type { AccountFilter } from '../../server/services/receivables/accounts'
import { accountsDue } from '../../server/services/receivables/accounts-due'
import { levelsDue } from '../../server/services/receivables/levels-due'
import {
  prepareStatements,
  startStatements,
  statementRun,
} from '../../server/services/receivables/statements'
import { useHouse } from './house'
import { issuePrepared, lateInvoice, prepareReminder, today, who } from './money'

/* What lists are narrowed to: accounts by brand and by what was sent, levels due, and filters kept by a name. */
const house = useHouse({ reports: false })
const all = { sort: 'name', descending: false, limit: 200 } as const
const found = async (filter: Partial<AccountFilter>) =>
  (await accounts({ ...all, ...filter }, who)).rows.map((row) => row.number)
const keyOf = (number: string) => ({ customerId: house.customer(number).id, currency: 'EUR' })

beforeEach(() => run('update company set closed_until = null'))

describe('accounts', () => {
  test('without a statement or a reminder for so many days; one does not stand for the other', async () => {
    await lateInvoice(house, '10417', 20)
    await lateInvoice(house, '10424', 20)
    expect(await found({ notStatedFor: 30 })).toEqual(expect.arrayContaining(['10417', '10424']))
    await issuePrepared((await prepareReminder(house, '10417')).preparedId!)
    expect(await found({ notRemindedFor: 30 })).not.toContain('10417')
    expect(await found({ notRemindedFor: 30 })).toContain('10424')
    expect(await found({ notStatedFor: 30 })).toContain('10417')
    const [made] = await prepareStatements(keyOf('10417'), { form: 'open items', until: today() }, who)
    await issuePrepared(made!.preparedId!)
    expect(await found({ notStatedFor: 30 })).not.toContain('10417')
    const [row] = (await accounts({ ...all, search: house.customer('10417').name }, who)).rows
    expect(row).toMatchObject({ stated: today(), reminded: today() })
  })

  test('by a field of the house’s own: filled, or with what it contains', async () => {
    await lateInvoice(house, '10451', 20)
    await run(`update customer set fields = '{"Hive count": "Twelve of ash"}' where number = '10451'`)
    expect(await found({ field: 'Hive count' })).toEqual(['10451'])
    expect(await found({ field: 'Hive count', fieldHolds: 'twelve' })).toEqual(['10451'])
    expect(await found({ field: 'Hive count', fieldHolds: '%' })).toEqual([])
    const period = { form: 'reminder', until: today() } as const
    const due = await accountsDue('payment reminder', period)
    expect(due.find((one) => one.facts.customer === '10451')!.facts).toMatchObject({
      late: 20,
      fields: { 'Hive count': 'Twelve of ash' },
    })
  })

  test('of one brand: what is owed to it alone, and statements of it alone', async () => {
    await lateInvoice(house, '10427', 20)
    const [first, second] = house.brands
    const ofBoth = (await accounts({ ...all, search: house.customer('10427').name }, who)).rows[0]!
    const own = (await accounts({ ...all, search: house.customer('10427').name, brand: first!.code }, who))
      .rows
    expect(own[0]?.balance).toBe(ofBoth.balance)
    expect(await found({ brand: second!.code })).not.toContain('10427')
    const period = { form: 'open items', until: today() } as const
    await expect(
      startStatements({ these: [keyOf('10427')], brand: second!.code }, period, who),
    ).rejects.toThrow()
    const id = await startStatements({ these: [keyOf('10427')], brand: first!.code }, period, who)
    const { counts, waiting } = await statementRun(id, who)
    expect(Object.values(counts).reduce((sum, count) => sum + count, 0) + waiting).toBe(1)
    // a person of another brand cannot widen what is seen
    const limited = { ...who, brands: [second!.id] }
    expect((await accounts({ ...all, brand: first!.code }, limited)).rows).toEqual([])
  })

  test('say the level that is due today, and none once it was asked for', async () => {
    await lateInvoice(house, '10438', 20)
    const keys = [keyOf('10438'), keyOf('10433')]
    expect(await levelsDue(keys, who)).toEqual([{ ...keyOf('10438'), level: 1, asked: ['612.54'] }])
    await issuePrepared((await prepareReminder(house, '10438')).preparedId!)
    expect(await levelsDue(keys, who)).toEqual([])
  })
})

describe('a filter', () => {
  const filter = { page: 'accounts', name: 'Schools, late', filters: { group: 'Schools' } } as const

  test('is kept by its name for everybody, and another of that name only when somebody says so', async () => {
    await keepFilter({ ...filter, replaces: false }, who)
    await expect(
      keepFilter({ ...filter, filters: { group: 'Clubs' }, replaces: false }, { ...who, name: 'Ida' }),
    ).rejects.toThrow('There is a filter “Schools, late” already, kept by Col Varley')
    expect((await savedFilters('accounts')).map((one) => one.filters)).toEqual([{ group: 'Schools' }])
    await keepFilter({ ...filter, filters: { group: 'Clubs' }, replaces: true }, { ...who, name: 'Ida' })
    const [kept, ...others] = await savedFilters('accounts')
    expect(others).toEqual([])
    expect(kept).toMatchObject({ filters: { group: 'Clubs' }, madeBy: 'Ida' })
    expect(await savedFilters('orders')).toEqual([])
    await dropFilter(kept!.id)
    await dropFilter(kept!.id)
    expect(await savedFilters('accounts')).toEqual([])
  })

  test('kept by two at one instant is one', async () => {
    const both = await Promise.allSettled([
      keepFilter({ ...filter, replaces: false }, who),
      keepFilter({ ...filter, replaces: false }, { ...who, name: 'Ida' }),
    ])
    expect(both.map((one) => one.status).sort()).toEqual(['fulfilled', 'rejected'])
    expect(await savedFilters('accounts')).toHaveLength(1)
  })
})
