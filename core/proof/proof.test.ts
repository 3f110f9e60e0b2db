import { expect, test } from 'vitest'
import { metrics } from '../testing/examples'
import { layOutProof, type ProofFacts } from './proof'

const facts: ProofFacts = {
  title: 'Invoice INV-7',
  made: 'Made on 28 Nov 2026.',
  document: [
    ['Number', 'INV-7'],
    ['Customer', 'مؤسسة النحل 🐝 Ltd'],
  ],
  sendings: [{ title: 'Email 5', facts: [['To', 'a@b.example: delivered. The server said: 250 OK']] }],
  history: [{ at: '28 Nov 2026', words: 'Issued. (Col)' }],
}
const textOf = (laidOut: ReturnType<typeof layOutProof>) =>
  laidOut.pages.map((page) => page.ops.flatMap((op) => (op.op === 'text' ? [op] : [])))

test('says what it is of, how it went and what the server said, on one page where it fits', () => {
  const laidOut = layOutProof(facts, metrics)
  const words = textOf(laidOut)
    .flat()
    .map((op) => op.text)
  expect(laidOut.pages).toHaveLength(1)
  expect(words).toEqual(expect.arrayContaining(['Proof of sending: Invoice INV-7', 'Email 5', 'History']))
  expect(words.join(' ')).toContain('250 OK')
  expect(words.at(-1)).toBe('Invoice INV-7 · page 1 of 1 before the document')
})

test('a long history goes on over as many pages as it takes, nothing over the foot or the edge', () => {
  const history = Array.from({ length: 200 }, (_, at) => ({
    at: `Day ${at}`,
    words: `Something happened here ${'again and '.repeat(at % 40)}again.`,
  }))
  const laidOut = layOutProof({ ...facts, history }, metrics)
  expect(laidOut.pages.length).toBeGreaterThan(4)
  const drawn = textOf(laidOut).flat()
  for (const { at } of history) expect(drawn.filter((op) => op.text === at)).toHaveLength(1)
  for (const op of drawn) {
    const end = op.x + op.pieces.reduce((sum, piece) => sum + piece.width, 0)
    expect(end).toBeLessThanOrEqual(595.28 - 56 + 0.01)
    if (op.role !== 'artifact') expect(op.y).toBeLessThanOrEqual(841.89 - 64)
  }
})

test('is never refused for a sign in a name', () => {
  expect(layOutProof(facts, metrics).problems).toEqual([])
})
