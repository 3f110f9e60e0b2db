import fc from 'fast-check'
import { expect, test } from 'vitest'
import { copyFiles, type StoredCopy } from './copies'
import { mailSize, megabyte, roomIn } from './mail-size'
import { inParts, largestPart } from './parts'

const file = (name: string, size: number) => ({ name, size, isDocument: name === 'statement' })
const statement = file('statement', 200_000)
const plan = file('plan', 9_000_000)
const film = file('film', 9_000_000)
const note = file('note', 1_000_000)
const rule = { tooLarge: 'split', most: 20 } as const
const names = (parts: readonly { name: string }[][]) =>
  parts.map((part) => part.map(({ name }) => name).join(' '))

test('the document is in the first email, and each file in the first one that has room for it', () => {
  expect(names(inParts([statement, plan, film, note], rule))).toEqual(['statement plan note', 'film'])
})

test('what fits, and what the house does not want split, goes in one', () => {
  expect(inParts([statement, note], rule)).toHaveLength(1)
  for (const tooLarge of ['stop', 'link'] as const)
    expect(inParts([statement, plan, film], { ...rule, tooLarge })).toHaveLength(1)
})

test('a file that fits in no email is too large however the others are spread', () => {
  const large = file('large', 21_000_000)
  expect(largestPart([statement, large, note], rule)).toBeGreaterThan(20 * megabyte)
  expect(names(inParts([statement, large, note], rule))).toEqual(['statement note', 'large'])
})

test('whatever the files, each goes once and no email is larger than what is taken', () => {
  const sizes = fc.array(fc.integer({ min: 1, max: roomIn(10) }), { minLength: 1, maxLength: 40 })
  fc.assert(
    fc.property(sizes, (all) => {
      const files = all.map((size, at) => file(String(at), size))
      const parts = inParts(files, { tooLarge: 'split', most: 10 })
      expect(parts.flat().sort((a, b) => Number(a.name) - Number(b.name))).toEqual(files)
      for (const part of parts) expect(mailSize(part.map(({ size }) => size))).toBeLessThanOrEqual(10_000_000)
    }),
  )
})

test('copies that are too many for one ZIP go in further ones, each once and in their order', () => {
  const sizes = fc.array(fc.integer({ min: 1, max: 900_000 }), { minLength: 1, maxLength: 60 })
  fc.assert(
    fc.property(sizes, (all) => {
      const stored = all.map((size, at): StoredCopy => ({
        documentId: at,
        number: `INV-${at}`,
        name: `Invoice-${at}.pdf`,
        sha256: String(at),
        size,
      }))
      const zips = copyFiles(stored, 'zip', 'en', megabyte)
      expect(zips.flatMap(({ of }) => of)).toEqual(stored)
      expect(new Set(zips.map(({ name }) => name)).size).toBe(zips.length)
      for (const { size } of zips) expect(size).toBeLessThanOrEqual(megabyte)
    }),
  )
})

test('pictures in the text travel in each email', () => {
  const withPictures = { ...rule, pictures: 8_000_000 }
  expect(names(inParts([statement, plan, note], rule))).toEqual(['statement plan note'])
  expect(names(inParts([statement, plan, note], withPictures))).toEqual(['statement note', 'plan'])
  expect(largestPart([statement], withPictures) - largestPart([statement], rule)).toBeGreaterThan(10_000_000)
})
