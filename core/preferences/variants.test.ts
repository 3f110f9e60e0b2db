import { describe, expect, test } from 'vitest'
import { ofVariant, textOfVariant } from './variants'

const text = (id: number, brandId: number, variantId: number | null, language: 'en' | 'de' = 'en') => ({
  id,
  brandId,
  variantId,
  language,
})
const all = [text(1, 1, null), text(2, 1, 7), text(3, 1, null, 'de'), text(4, 2, null), text(5, 2, 8)]

describe('a variant', () => {
  test('has its own where there is one, and else the brand’s', () => {
    expect(ofVariant(all, 1, 7)?.id).toBe(2)
    expect(ofVariant(all, 1, 8)?.id).toBe(1)
    expect(ofVariant(all, 2, 8)?.id).toBe(5)
  })

  test('is nothing to who has none, or has the brand’s own this once', () => {
    expect([null, undefined, 0].map((variant) => ofVariant(all, 1, variant)?.id)).toEqual([1, 1, 1])
  })

  test('gives way to the customer’s language', () => {
    expect(textOfVariant(all, 1, 7, ['de', 'en'])?.id).toBe(3)
    expect(textOfVariant(all, 1, 7, ['fr', 'en'])?.id).toBe(2)
    expect(textOfVariant(all, 3, 7, ['en'])).toBeUndefined()
  })
})
