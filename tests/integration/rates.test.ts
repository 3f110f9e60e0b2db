import { describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { changeHouse } from '../../server/services/house/settings'
import { importRates, keepRates, rates } from '../../server/services/house/rates'
import { billView, changeBill, newInvoice } from '../../server/services/bills/bills'
import { papersOf, useHouse } from './house'

/* Exchange rates by hand and from a file; what comes to nothing. */
const house = useHouse({ reports: false })

describe('exchange rates', () => {
  test('from a file: bad lines are named and left out, the good ones kept; the same file twice changes nothing', async () => {
    const file = '\uFEFFCurrency;Day;Rate;Source\nTND;2026-11-20;3,3521;Glenhaven Bank\nJPY;2026-02-30;160;x\nTND;2026-11-21;-1;x\nEURO;2026-11-21;1;x\njpy;2026-11-20;162.41;Glenhaven Bank\n'
    expect(await importRates(file)).toMatchObject({ added: 2, changed: 0, same: 0, bad: [{ line: 3, reason: '2026-02-30 does not exist' }, { line: 4, reason: '“-1” is not a rate above zero' }, { line: 5, reason: expect.stringContaining('EURO') }] })
    expect(await importRates(file)).toMatchObject({ added: 0, changed: 0, same: 2 })
    expect(await rates()).toContainEqual({ currency: 'TND', day: '2026-11-20', rate: '3.3521', source: 'Glenhaven Bank' })
  })

  test.each([['', 'must name the columns'], ['a;b\n1;2', 'must name the columns'], ['currency,day,rate\n"TND,2026', 'cannot be read as CSV']])('%j is refused in words', async (file, words) => {
    await expect(importRates(file)).rejects.toThrow(words)
  })

  test('a changed rate builds the papers of its currency anew', async () => {
    const customer = house.customer('10425')
    const billId = await newInvoice(customer.id, house.brands[0]!.id, 'Test')
    const { version, facts, brandId, customerId } = await billView(billId)
    await changeBill(billId, { version, brandId, customerId, earlierDateOk: false, facts: { ...facts, suppliedOn: '2026-11-20', lines: [{ item: '', description: 'Hive', detail: null, unit: '', quantity: '1', unitPrice: '100', discountPercent: '0', taxCode: 'standard' }] } }, 'Test')
    await house.settle()
    const today = new Date().toISOString().slice(0, 10)
    await keepRates([{ currency: 'GBP', day: today, rate: '0.5', source: 'A test' }])
    await house.settle()
    const { content } = (await one<{ content: { legal: string[] } }>('select content from paper where bill_id = $1', [billId]))!
    expect(content.legal[0]).toContain('VAT in EUR: 46.00, at 1 EUR = 0.50 GBP (A test')
  })
})

describe('an order that comes to nothing', () => {
  const free = () => house.newOrder({ lines: [{ item: 'SMP', description: 'Sample', detail: null, unit: '', quantity: '1', unitPrice: '0', discountPercent: '0', taxCode: 'standard' }] })

  test('gets its invoice like any other, or none from a routine where the house says so, and the reason stands there', async () => {
    const first = await free()
    await house.ship([first])
    expect(await papersOf([first])).toMatchObject([{ state: 'prepared', problem: null }])
    await changeHouse({ zeroTotals: 'skip' })
    const second = await free()
    await house.ship([second])
    expect(await papersOf([second])).toEqual([])
    expect(await rows('select outcome, reason from evaluation where order_id = $1', [second])).toEqual([{ outcome: 'not wanted', reason: 'It comes to nothing, and the house makes no papers of that.' }])
    await run(`update company set zero_totals = 'make'`)
  })
})
