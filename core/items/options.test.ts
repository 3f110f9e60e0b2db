import { describe, expect, test } from 'vitest'
import { chosenOption, misworded, optionIn, optionsIn, optionsLine, valuesOf, withOption } from './options'

const colour = { name: 'Colour', values: ['natural', 'green', 'green, dark'] }
const size = { name: 'Size', values: ['S', 'L', 'XL'] }
const options = [colour, size]
const choose = (detail: string | null, option: typeof colour, value: string) =>
  withOption(detail, options, { option, value })

describe('what is chosen of an item', () => {
  test('stands in the detail in the order of its options, whichever was chosen first', () => {
    expect(choose(choose(null, size, 'L'), colour, 'green')).toBe('Colour: green · Size: L')
  })

  test('is changed and taken away without touching what else stands there', () => {
    const detail = 'Your no. 88 · Colour: green · Size: L'
    expect(choose(detail, size, 'XL')).toBe('Your no. 88 · Colour: green · Size: XL')
    expect(choose(choose(detail, size, ''), colour, '')).toBe('Your no. 88')
    expect(choose('Colour: green', colour, '')).toBeNull()
  })

  test('is read back; a value that is offered no more is left as it was printed', () => {
    expect(chosenOption('Your no. 88 · Colour: green, dark', colour)).toBe('green, dark')
    expect(chosenOption('Colour: red', colour)).toBe('')
    expect(choose('Colour: red', size, 'S')).toBe('Colour: red · Size: S')
    expect(chosenOption(null, size)).toBe('')
  })

  test('is not confused by one that begins alike', () => {
    const frame = { name: 'Colour: frame', values: ['oak'] }
    expect(withOption('Colour: green', [colour, frame], { option: frame, value: 'oak' })).toBe(
      'Colour: green · Colour: frame: oak',
    )
  })
})

test('values are written with commas between, each once', () => {
  expect(valuesOf(' natural , green,,green ')).toEqual(['natural', 'green'])
})

test('a file has them in one line, and what comes in is what went out', () => {
  const line = 'Colour: natural, green; Size: S, L'
  expect(optionsIn(line)).toEqual([
    { name: 'Colour', values: ['natural', 'green'] },
    { name: 'Size', values: ['S', 'L'] },
  ])
  expect(optionsLine(optionsIn(line)!)).toBe(line)
  for (const wrong of [
    'green',
    'Colour:',
    ': green',
    'Colour: a; Colour: b',
    'a: b: c',
    'a:1;b:1;c:1;d:1;e:1;f:1;g:1',
  ])
    expect(optionsIn(wrong)).toBeNull()
})

describe('a choice in another language', () => {
  const worded = { ...size, wordings: { de: { name: 'Größe', values: ['klein', 'groß', ''] } } }

  test('is called as it is there, and as in the house where nobody said', () => {
    expect(optionIn(worded, 'de')).toEqual({ name: 'Größe', values: ['klein', 'groß', 'XL'] })
    expect(optionIn(worded, 'fr')).toEqual(size)
    expect(
      withOption(null, [optionIn(worded, 'de')], { option: optionIn(worded, 'de'), value: 'groß' }),
    ).toBe('Größe: groß')
  })

  test('has a word for each value, or it is told where not', () => {
    expect(misworded(worded)).toEqual([])
    expect(misworded({ ...size, wordings: { fr: { name: 'Taille', values: ['S', 'L'] } } })).toEqual(['fr'])
    expect(misworded(size)).toEqual([])
  })
})
