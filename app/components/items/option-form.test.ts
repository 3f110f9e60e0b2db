import { expect, test } from 'vitest'
import { keptOptions, optionForm } from './option-form'

const blank = { name: '', values: '' }
const form = (de = blank) => ({ name: ' Size ', values: 'S, M', wordings: { en: blank, de, fr: blank } })

test('a wording that gives only a name keeps the values as they are, and the other way round', () => {
  expect(keptOptions([form({ name: 'Größe', values: '' })])[0]!.wordings).toEqual({
    de: { name: 'Größe', values: ['S', 'M'] },
  })
  expect(keptOptions([form({ name: '', values: 'klein, mittel' })])[0]!.wordings).toEqual({
    de: { name: 'Size', values: ['klein', 'mittel'] },
  })
})

test('what nobody wrote is kept nowhere; what is kept comes back as it was written', () => {
  expect(keptOptions([form(), { ...form(), ...blank }])).toEqual([
    { name: 'Size', values: ['S', 'M'], wordings: {} },
  ])
  const [kept] = keptOptions([form({ name: 'Größe', values: 'klein, mittel' })])
  expect(keptOptions([optionForm(kept!)])).toEqual([kept])
})
