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
