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
    .map(({ name, values, wordings }) => ({
      ...read({ name, values }),
      wordings: Object.fromEntries(
        languages
          // what is called alike there has its values as they are
          .map(
            (one) =>
              [one, { ...read(wordings[one]), name: wordings[one].name.trim() || name.trim() }] as const,
          )
          .filter(([, wording]) => wording.values.length > 0),
      ),
    }))
    .filter(({ name, values }) => name || values.length)

const read = ({ name, values }: Words) => ({ name: name.trim(), values: valuesOf(values) })
