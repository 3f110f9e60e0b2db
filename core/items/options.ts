import { languages, type Language } from '../money/format'

/** What a buyer chooses of an item, like a colour or a size. */
export interface ItemOption {
  name: string
  values: string[]
  /** How it is called in other languages, value by value in the same order. */
  wordings?: Partial<Record<Language, { name: string; values: string[] }>>
}

/** A choice as it is called in a language; where nobody gave it words there, as in the company's own. */
export const optionIn = ({ wordings, ...own }: ItemOption, language: Language): ItemOption => ({
  name: wordings?.[language]?.name || own.name,
  values: own.values.map((value, at) => wordings?.[language]?.values[at] || value),
})

/** The languages in which a choice has a wording that does not fit: other values than it has. */
export const misworded = ({ values, wordings = {} }: ItemOption): Language[] =>
  languages.filter((one) => wordings[one] && wordings[one].values.length !== values.length)

/** Most choices of one item. */
export const mostOptions = 6

/** A line's detail says them so, one after the other: "Colour: green · Size: L". */
const between = ' · '
const partsOf = (detail: string | null) => (detail ? detail.split(between) : [])
const partFor = ({ name }: ItemOption, value: string) => `${name}: ${value}`
const isOf = (option: ItemOption, part: string) =>
  option.values.some((value) => part === partFor(option, value))

/** What is chosen in a line, '' where nothing is. */
export function chosenOption(detail: string | null, option: ItemOption): string {
  const part = partsOf(detail).find((one) => isOf(option, one))
  return part?.slice(option.name.length + 2) ?? ''
}

/** A line's detail with another choice, '' for none. What else stands in it stays, and options keep their order. */
export function withOption(
  detail: string | null,
  options: readonly ItemOption[],
  chosen: { option: ItemOption; value: string },
): string | null {
  const others = partsOf(detail).filter((part) => !options.some((option) => isOf(option, part)))
  const parts = options.flatMap((option) => {
    const value = option.name === chosen.option.name ? chosen.value : chosenOption(detail, option)
    return value ? partFor(option, value) : []
  })
  return [...others, ...parts].join(between) || null
}

/** "natural, green" as its values; what stands twice counts once. */
export const valuesOf = (text: string): string[] => [
  ...new Set(
    text
      .split(',')
      .map((one) => one.trim())
      .filter(Boolean),
  ),
]

/** Choices as one line of a file: "Colour: natural, green; Size: S, L". */
export const optionsLine = (options: readonly ItemOption[]): string =>
  options.map(({ name, values }) => `${name}: ${values.join(', ')}`).join('; ')

/** The choices of such a line; null where it is none. */
export function optionsIn(line: string): ItemOption[] | null {
  const options = line
    .split(';')
    .filter((part) => part.trim())
    .map((part) => {
      const [name = '', values = '', ...others] = part.split(':')
      return { name: name.trim(), values: others.length > 0 ? [] : valuesOf(values) }
    })
  const right = options.every(({ name, values }) => name && values.length > 0)
  const distinct = new Set(options.map(({ name }) => name)).size === options.length
  return right && distinct && options.length <= mostOptions ? options : null
}
