import { describe, expect, test } from 'vitest'
import { one, rows, run } from '../../server/db/connection'
import { changeHouse } from '../../server/services/house/settings'
import { keepRates } from '../../server/services/house/rates'
import { draftView, changeDraft, newInvoice } from '../../server/services/drafts/drafts'
import { papersOf, historyWords, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'
import { inWords } from '../../core/testing/in-words'

/* Exchange rates; what comes to nothing. */
const house = useHouse({ reports: false })

describe('exchange rates', () => {
  test('a changed rate builds the papers of its currency anew', async () => {
    const customer = house.customer('10425')
    const draftId = await newInvoice(customer.id, house.brands[0]!.id, inTheNameOf('Test'))
    const { version, facts, brandId, customerId } = await draftView(draftId)
    await changeDraft(
      draftId,
      {
        version,
        brandId,
        customerId,
        earlierDateOk: false,
        facts: {
          ...facts,
          suppliedOn: '2026-11-20',
          lines: [
            {
              item: '',
              description: 'Hive',
              detail: null,
              unit: '',
              quantity: '1',
              unitPrice: '100',
              discountPercent: '0',
              taxCode: 'standard',
            },
          ],
        },
      },
      inTheNameOf('Test'),
    )
    await house.settle()
    const today = new Date().toISOString().slice(0, 10)
    await keepRates([{ currency: 'GBP', day: today, rate: '0.5', source: 'A test' }])
    await house.settle()
    const { content } = (await one<{ content: { legal: string[] } }>(
      'select content from prepared_document where source_id = $1',
      [draftId],
    ))!
    expect(content.legal[0]).toContain('VAT in EUR: 46.00, at 1 EUR = 0.50 GBP (A test')
  })
})

describe('an order that comes to nothing', () => {
  const free = () =>
    house.newOrder({
      lines: [
        {
          item: 'SMP',
          description: 'Sample',
          detail: null,
          unit: '',
          quantity: '1',
          unitPrice: '0',
          discountPercent: '0',
          taxCode: 'standard',
        },
      ],
    })

  test(
    'gets its invoice like any other, or none from a routine where the house says so, and the reason ' +
      'stands there',
    async () => {
      const first = await free()
      await house.ship([first])
      expect(await papersOf([first])).toMatchObject([{ state: 'prepared', problem: null }])
      await changeHouse({ zeroTotals: 'skip' })
      const second = await free()
      await house.ship([second])
      expect(await papersOf([second])).toEqual([])
      expect(
        inWords(await rows('select outcome, reason from evaluation where source_id = $1', [second])),
      ).toEqual([
        {
          outcome: 'not wanted',
          reason: 'No invoice was made: it comes to nothing, and the company makes no documents of that.',
        },
      ])
      expect((await historyWords(second)).at(-1)).toBe(
        'No invoice was made: it comes to nothing, and the company makes no documents of that.',
      )
      await run(`update company set zero_totals = 'make'`)
    },
  )
})
