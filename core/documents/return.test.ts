import { describe, expect, test } from 'vitest'
import { layOut } from '../designs/layout'
import { mm } from '../designs/design'
import { languages, type Language } from '../money/format'
import { bold, exampleLabels, metrics, ottermill, plain, shipmentInput } from '../testing/examples'
import { returnPaper, type ReturnFacts } from './return'

const facts: ReturnFacts = {
  label: 'SO-20931/R1',
  day: '2026-11-30',
  until: '2026-12-30',
  sender: { name: 'Ottermill Honey Co-op', lines: ['Weir Yard 2', 'Ottermill OM4 7QD'], country: 'IE' },
  delivery: { name: 'Tansy Hollow, Returns', lines: ['Unit 4, Quarry Lane', 'Ballynore'], country: 'IE' },
  remarks: 'Ring at bay 2.',
  lines: [
    { position: 1, quantity: '2', reason: 'broken in transit' },
    { position: 2, quantity: '1.5', reason: '' },
  ],
  labels: [],
}
const withLabel = { ...facts, labels: exampleLabels.slice(0, 1) }
const paperOf = (of = facts, language: Language = 'en') =>
  returnPaper({ ...shipmentInput('return note', undefined, language), number: 'RN-2026-00004' }, of)

describe('a return note', () => {
  test('says what goes back and why, until when and where to, and has no sum of money', () => {
    const paper = paperOf()
    expect(paper.lines.map(({ amount, detail }) => [amount, detail])).toEqual([
      ['2', 'with runners fitted · Reason: broken in transit'],
      ['1.5', null],
    ])
    expect(paper.facts).toContainEqual({ key: 'until', label: 'Send by', value: '30 December 2026' })
    expect(paper.paragraphs).toEqual([
      'Put this note in with the goods and send them by 30 December 2026.',
      'Send them to: Tansy Hollow, Returns, Unit 4, Quarry Lane, Ballynore',
      'Ring at bay 2.',
    ])
    expect(paper.barcode!.text).toBe('SO-20931/R1')
    expect(JSON.stringify(paper)).not.toMatch(/41\.50|83\.00/)
  })

  test('is addressed to who sends the goods, and names the country where that is not the house’s', () => {
    const abroad = { ...facts, sender: { ...facts.sender, country: 'DE' } }
    const paper = paperOf(abroad)
    expect(paper.recipient.lines.at(-1)).toBe('GERMANY')
    // for the post office that takes the parcel the house is abroad
    expect(paper.paragraphs![1]).toContain('IRELAND')
  })

  test('has its labels behind it, on A4 sheets, in each language and on each design', () => {
    for (const language of languages)
      for (const design of [plain, bold]) {
        const { pages, problems } = layOut(paperOf(withLabel, language), design, metrics)
        expect(problems).toEqual([])
        expect(pages).toHaveLength(2)
        expect(pages[1]).toMatchObject({ width: 210 * mm, height: 297 * mm })
      }
    expect(layOut(paperOf(), plain, metrics).pages).toHaveLength(1)
  })

  test('bears on its label who sends it and where it goes, and tells that it costs nothing', () => {
    const { labels, paragraphs } = paperOf(withLabel)
    expect(labels!.of[0]).toMatchObject({
      from: 'Ottermill Honey Co-op · Weir Yard 2 · Ottermill OM4 7QD',
      to: ['Tansy Hollow, Returns', 'Unit 4, Quarry Lane', 'Ballynore'],
      rows: [{ label: 'Our order', value: 'SO-20931/R1' }, expect.anything()],
    })
    expect(paragraphs![0]).toContain('costs you nothing and is good until 30 December 2026')
  })

  test('is for who sends the goods, though nobody said yet where the customer is billed', () => {
    const input = { ...shipmentInput('return note'), customer: { ...ottermill, billing: null } }
    expect(returnPaper(input, facts).recipient).toEqual(paperOf(facts).recipient)
  })
})
