import { expect, test } from 'vitest'
import { concrete, sample, useContract } from './contract'
import { useHouse } from './house'

/* Bad input in every path and query of every route. */
useHouse({ jobs: false })
const api = useContract()

const nasty = [
  '',
  '-1',
  '0',
  'x',
  '99999999999',
  '1.5',
  '%00',
  '🐝',
  'x'.repeat(3000),
  '2026-13-45',
  "'--",
  Buffer.from('["x",1]').toString('base64url'),
  Buffer.from('[1]').toString('base64url'),
]

test('bad input in every query and path is refused with 4xx or taken, never 5xx', async () => {
  const wrong: string[] = []
  for (const { method, path, operation } of api.operations()) {
    const schema = operation.requestBody?.content['application/json']?.schema
    const body = schema ? sample(schema) : undefined
    for (const parameter of (operation.parameters ?? []).filter((one) => one.in !== 'header')) {
      const urls = nasty.map((value) => {
        const encoded = value === '%00' ? value : encodeURIComponent(value)
        return concrete(
          parameter.in === 'path'
            ? path.replace(`{${parameter.name}}`, encoded || '-')
            : `${concrete(path)}?${parameter.name}=${encoded}`,
        )
      })
      const answers = await Promise.all(urls.map((url) => api.call(method, url, body)))
      for (const [place, { status, body: said }] of answers.entries())
        if (status >= 500) wrong.push(`${status} ${method} ${urls[place]}: ${said.title ?? ''}`)
    }
  }
  expect(wrong).toEqual([])
}, 120_000)
