import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, test } from 'vitest'
import { en } from './en'
import { i18n } from '.'

const keys = Object.entries(en).flatMap(([screen, words]) =>
  Object.keys(words).map((key) => `${screen}.${key}`),
)

const sources = readdirSync('app', { recursive: true, withFileTypes: true })
  .filter((file) => file.isFile() && /\.(vue|ts)$/.test(file.name) && !/words/.test(file.parentPath))
  .map((file) => readFileSync(join(file.parentPath, file.name), 'utf8'))
  .join('\n')

/** The keys that the interface asks for by name, and every text that looks like one. */
const found = (pattern: RegExp) => [...sources.matchAll(pattern)].map(([, key]) => key!)
const asked = [...found(/\bt\(\s*'([\w.]+)'/g), ...found(/keypath="([\w.]+)"/g)]
const alike = new Set(found(/['"](\w+\.\w+)['"]/g))

describe('the words of the interface', () => {
  test('are there, whichever a screen asks for', () => {
    expect(asked.length).toBeGreaterThan(1500)
    expect([...new Set(asked)].filter((key) => !keys.includes(key))).toEqual([])
  })

  test('are all asked for by some screen', () => {
    const own = keys.filter((key) => !/^verbs\./.test(key))
    expect(own.filter((key) => !alike.has(key))).toEqual([])
    const counted = keys.flatMap((key) => /^verbs\.(.*)/.exec(key)?.[1] ?? [])
    expect(counted.filter((word) => !sources.includes(`'${word}'`))).toEqual([])
  })

  test('have a part for every name in a sentence', () => {
    const texts = new Map<string, string>(
      Object.entries(en).flatMap(([screen, words]) =>
        Object.entries(words).map(([key, text]) => [`${screen}.${key}`, text] as const),
      ),
    )
    for (const key of found(/keypath="([\w.]+)"/g)) {
      const rest = sources.slice(sources.indexOf(`keypath="${key}"`))
      const names = [...texts.get(key)!.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!)
      for (const name of names) expect(rest, `${key}: ${name}`).toContain(`<template #${name}`)
    }
  })

  test('can all be read', () => {
    expect(keys.filter((key) => i18n.global.t(key, { n: 2 }, 2) === key)).toEqual([])
  })
})
