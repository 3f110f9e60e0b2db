import { expect, test } from 'vitest'
import { useNewest } from './useNewest'

test('an older answer that comes late is left out', async () => {
  const newest = useNewest()
  const answers: ((value: string) => void)[] = []
  const ask = () => newest(() => new Promise<string>((resolve) => answers.push(resolve)))
  const [first, second] = [ask(), ask()]
  answers[1]!('as saved')
  answers[0]!('as it was')
  expect([await first, await second]).toEqual([undefined, 'as saved'])
})

test('an older refusal that comes late is left out, too; the newest is told', async () => {
  const newest = useNewest()
  const refusals: ((error: Error) => void)[] = []
  const ask = () => newest(() => new Promise<string>((_, reject) => refusals.push(reject)))
  const [first, second] = [ask(), ask()]
  refusals[0]!(new Error('what stood there'))
  refusals[1]!(new Error('what stands there'))
  await expect(second).rejects.toThrow('what stands there')
  expect(await first).toBeUndefined()
})
