import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { Decimal } from '../money/decimal'
import { emptyBench, isAllPacked, packedAt, scan, type Bench, type BenchAnswer } from './bench'

const lines = [
  { position: 1, item: 'HB-11D', gtin: '04012345678901', description: 'Brood box', left: '3' },
  { position: 2, item: 'WX-200', gtin: '', description: 'Wax', left: '1.5' },
  { position: 3, item: 'HB-11D', gtin: '04012345678901', description: 'Brood box, again', left: '1' },
]

/** What is said after the last of what is typed one after the other. */
function type(...codes: string[]): { bench: Bench; answer: BenchAnswer } {
  let last: { bench: Bench; answer: BenchAnswer } = { bench: emptyBench(lines), answer: { said: 'finish' } }
  for (const code of codes) last = scan(last.bench, code)
  return last
}

describe('the packing bench', () => {
  test('takes an item by its number or its bar code, in any case and length, one at a time', () => {
    expect(type('hb-11d').answer).toEqual({ said: 'added', position: 1, packed: '1', left: '2' })
    expect(type('HB-11D', '4012345678901').answer).toMatchObject({ packed: '2', left: '1' })
  })

  test('goes on to the next line of the same item, and says plainly when all of it is packed', () => {
    expect(type('HB-11D', '3', 'HB-11D').answer).toMatchObject({ said: 'added', position: 3 })
    expect(type('HB-11D', '3', 'HB-11D', 'HB-11D').answer).toEqual({ said: 'all packed', position: 1 })
  })

  test('says that something is not in the order, and stays as it was', () => {
    const before = type('HB-11D')
    const after = scan(before.bench, 'QM-RED')
    expect(after.answer).toEqual({ said: 'not in the order', code: 'QM-RED' })
    expect(after.bench).toEqual(before.bench)
  })

  test('takes a number for how many of the last item, and no more than are left', () => {
    expect(type('HB-11D', '3').answer).toMatchObject({ said: 'set', packed: '3', left: '0' })
    expect(type('HB-11D', '4').answer).toEqual({ said: 'too many', position: 1, left: '3' })
    expect(type('3').answer).toEqual({ said: 'nothing to count' })
    expect(type('HB-11D', '-').answer).toMatchObject({ said: 'taken out', packed: '0' })
  })

  test('fills parcels one after the other, each with its weight', () => {
    const { bench } = type('HB-11D', '2', '18,4 kg', '+', 'HB-11D', 'WX-200', 'wx-200')
    expect(bench.parcels).toEqual([
      { weight: '18.4', contents: [{ position: 1, quantity: '2' }] },
      {
        weight: null,
        contents: [
          { position: 1, quantity: '1' },
          { position: 2, quantity: '1.5' },
        ],
      },
    ])
    expect(type('+').answer).toEqual({ said: 'parcel is empty' })
    expect(type('HB-11D', '2', '+', 'HB-11D', '2').answer).toEqual({
      said: 'too many',
      position: 1,
      left: '1',
    })
  })

  test('is finished by nothing at all, and knows whether all is packed', () => {
    const all = type('HB-11D', '3', 'HB-11D', 'WX-200', 'WX-200', '')
    expect(all.answer).toEqual({ said: 'finish' })
    expect(isAllPacked(all.bench)).toBe(true)
    expect(isAllPacked(type('HB-11D').bench)).toBe(false)
  })

  test('never holds more than is left, whatever is scanned', () => {
    const code = fc.constantFrom(
      'HB-11D',
      '4012345678901',
      'WX-200',
      '+',
      '-',
      '1',
      '2',
      '9',
      '3 kg',
      'x',
      '',
    )
    fc.assert(
      fc.property(fc.array(code, { maxLength: 40 }), (codes) => {
        const packed = packedAt(type(...codes, '').bench)
        for (const { position, left } of lines) {
          const held = new Decimal(packed.get(position) ?? 0)
          expect(held.lte(left) && held.gte(0)).toBe(true)
        }
      }),
    )
  })
})
