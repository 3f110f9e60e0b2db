import { languages, type Language } from '../../../core/money/format'
import { valuesOf, type ItemOption } from '../../../core/items/options'

interface Words {
  name: string
  /** With commas between. */
  values: string
}

/** What a buyer chooses of an item, as it is being written. */
export interface OptionForm extends Words {
  wordings: Record<Language, Words>
}

const wordsOf = (of: { name: string; values: string[] } | undefined): Words => ({
  name: of?.name ?? '',
  values: of?.values.join(', ') ?? '',
})

export const optionForm = (option: ItemOption): OptionForm => ({
  ...wordsOf(option),
  wordings: Object.fromEntries(
    languages.map((one) => [one, wordsOf(option.wordings?.[one])]),
  ) as OptionForm['wordings'],
})

/** As it is kept: choices and wordings in which nothing is written are left out. */
export const keptOptions = (forms: readonly OptionForm[]): ItemOption[] =>
  forms
    .map(({ wordings, ...own }) => ({
      ...read(own),
      wordings: Object.fromEntries(
        languages
          .filter((one) => wordings[one].name.trim() || wordings[one].values.trim())
          .map((one) => [one, wordingOf(wordings[one], own)]),
      ),
    }))
    .filter(({ name, values }) => name || values.length)

/** What is left empty of a wording is called there as in the company's language. */
const wordingOf = ({ name, values }: Words, own: Words) =>
  read({ name: name.trim() || own.name, values: values.trim() || own.values })

const read = ({ name, values }: Words) => ({ name: name.trim(), values: valuesOf(values) })
