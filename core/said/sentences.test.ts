import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { saidSentences } from './sentences'
import { told } from './told'

const sources = ['app', 'core', 'server']
  .flatMap((folder) => readdirSync(folder, { recursive: true, withFileTypes: true }))
  .filter((file) => file.isFile() && /\.(ts|vue)$/.test(file.name) && !file.name.endsWith('.test.ts'))
  .filter((file) => !file.parentPath.endsWith('core/said'))
  .map((file) => readFileSync(join(file.parentPath, file.name), 'utf8'))
  .join()

/** A key is asked for by its name, or by that of its subject with what the rest is: `stage/${stage}`. */
const isAsked = (key: string) =>
  sources.includes(`'${key}'`) ||
  [...key.matchAll(/\//g)].some(({ index }) => sources.includes(`\`${key.slice(0, index + 1)}\${`))

test('every sentence is said somewhere', () => {
  const shared = /^(count|kind|list)\//
  const own = Object.keys(saidSentences).filter((key) => !shared.test(key))
  expect(own.filter((key) => !isAsked(key))).toEqual([])
  const counts = Object.keys(saidSentences).flatMap((key) => /^count\/(.*)/.exec(key)?.[1] ?? [])
  expect(counts.filter((noun) => !sources.includes(`'${noun}'`))).toEqual([])
})

test('what is said has its key, its values, and itself in English', () => {
  expect(told('guide/numbers', { brand: 'Hives', kinds: 'invoices' })).toEqual({
    says: 'guide/numbers',
    values: { brand: 'Hives', kinds: 'invoices' },
    words: 'Hives: numbers for invoices',
  })
})
