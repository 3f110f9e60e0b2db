import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { checkDigit, isCompanyPrefix, sscc } from './sscc'

describe('an SSCC', () => {
  // the example of the GS1 General Specifications, section 7.9
  test('has the check digit of the specification', () => {
    expect(checkDigit('37610425002123456')).toBe('9')
    expect(checkDigit('629104150021')).toBe('3')
  })

  test('has 18 digits whatever the prefix, each serial number its own, and sums to a whole ten', () => {
    const prefix = fc.integer({ min: 7, max: 10 }).map((length) => '4012345678'.slice(0, length))
    fc.assert(
      fc.property(prefix, fc.integer({ min: 1, max: 999_998 }), (company, serial) => {
        const code = sscc(company, serial)
        expect(code).toMatch(/^\d{18}$/)
        const weighted = [...code].reduce((sum, digit, place) => sum + Number(digit) * (place % 2 ? 1 : 3), 0)
        expect(weighted % 10).toBe(0)
        expect(sscc(company, serial + 1)).not.toBe(code)
      }),
    )
  })

  test('is refused once the numbers of the prefix are used up', () => {
    expect(sscc('4012345678', 999_999)).toMatch(/^\d{18}$/)
    expect(() => sscc('4012345678', 1_000_000)).toThrow(/prefix/)
  })

  test('needs seven to ten digits of GS1', () => {
    expect(['4012345', '4012345678'].every(isCompanyPrefix)).toBe(true)
    expect(['401234', '40123456789', '40123 5', ''].some(isCompanyPrefix)).toBe(false)
  })
})
