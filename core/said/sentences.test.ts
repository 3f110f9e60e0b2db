import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { saidSentences, told } from './sentences'

const sources = readdirSync('server', { recursive: true, withFileTypes: true })
  .filter((file) => file.isFile() && file.name.endsWith('.ts') && !file.name.endsWith('.test.ts'))
  .map((file) => readFileSync(join(file.parentPath, file.name), 'utf8'))
  .join()

test('every sentence is said somewhere', () => {
  expect(Object.keys(saidSentences).filter((key) => !sources.includes(`'${key}'`))).toEqual([])
})

test('what is said has its key, its values, and itself in English', () => {
  expect(told('guide/numbers', { brand: 'Hives', kinds: 'invoices' })).toEqual({
    says: 'guide/numbers',
    values: { brand: 'Hives', kinds: 'invoices' },
    words: 'Hives: numbers for invoices',
  })
})
