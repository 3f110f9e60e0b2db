import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { badInput, Refusal } from '../errors'
import { sentences } from './sentences'

const sourcesIn = (folder: string): string =>
  readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((file) => file.isFile() && file.name.endsWith('.ts') && !file.name.endsWith('.test.ts'))
    .filter((file) => !file.parentPath.endsWith('refusals'))
    .map((file) => readFileSync(join(file.parentPath, file.name), 'utf8'))
    .join()

test('every sentence is said somewhere', () => {
  const sources = sourcesIn('core') + sourcesIn('server')
  expect(Object.keys(sentences).filter((key) => !sources.includes(`'${key}'`))).toEqual([])
})

test('a refusal has a stable code, its values and its sentence', () => {
  const refusal = new Refusal('same-name/branch', { values: { brand: 'Hives', name: 'Port Ardal' } })
  expect(refusal).toMatchObject({
    code: 'same-name',
    says: 'same-name/branch',
    values: { brand: 'Hives', name: 'Port Ardal' },
    message: 'Hives has a branch “Port Ardal” already.',
    status: 409,
  })
})

test('what was entered is refused at its field', () => {
  expect(badInput('bad-day', 'until')).toMatchObject({ status: 400, about: { field: 'until' }, values: {} })
})

test('a value may hold braces itself', () => {
  expect(badInput('bad-series/part', 'prefix', { part: '{year', parts: '{year}, {month}' }).message).toBe(
    '{year is not a part of a number. Use one of {year}, {month}.',
  )
})
