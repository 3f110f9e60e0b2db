import { expect, test } from 'vitest'
import { ref } from 'vue'
import { usePacking } from './usePacking'

const box = { name: 'Medium', length: 400, width: 300, height: 300, weight: '0.5', most: '15' }
const line = (position: number, left: string, each: string) => ({ position, left, each })
function packing(typed: Record<number, string>) {
  const now = ref(typed)
  const used = usePacking(
    () => ({ lines: [line(1, '10', '2'), line(2, '3', '1')], boxes: [box] }),
    () => now.value,
  )
  return { now, ...used }
}

test('what is typed as nothing does not go, and is not wrong', () => {
  const { parts, isWrong } = packing({ 1: '4', 2: '0' })
  expect(parts.value).toEqual([{ position: 1, quantity: '4' }])
  expect(isWrong.value).toBe(false)
})

test.each(['11', 'x', '', '-1', '1,5'])('“%s” of ten is wrong', (typed) => {
  expect(packing({ 1: typed }).isWrong.value).toBe(true)
})

test('parcels are proposed for just what goes, as heavy as the box takes', () => {
  const { now, parcels, propose } = packing({ 1: '10', 2: '3' })
  propose()
  expect(parcels.value.map(({ weight }) => weight)).toEqual(['14.5', '9.5'])
  now.value = { 1: '0', 2: '0' }
  propose()
  expect(parcels.value).toEqual([])
})
