import type { Saying } from '../../core/filled'
import { localeOf } from '../../core/money/format'
import { speak, type Tongue } from '../../core/said/speak'
import { toldAs, type Told } from '../../core/said/told'
import type { SaidKey, ValuesOf } from '../../core/said/sentences'
import { i18n } from '.'

/** The language of the interface, by the tables of vue-i18n: what is said, and what is refused. */
const tongue: Tongue = {
  get language() {
    return i18n.global.locale.value
  },
  sentence(key, words, count) {
    const name = ['said', 'refusals']
      .map((table) => `${table}.${key}`)
      .find((one) =>
        // its own alone: a sentence is said whole in one language
        i18n.global.te(one, i18n.global.locale.value),
      )
    if (name === undefined) return undefined
    if (count === undefined) return i18n.global.t(name, words)
    return i18n.global.t(name, { ...words, n: count.toLocaleString(localeOf[tongue.language]) }, count)
  },
}

/** What is said, made from its key and values; undefined for what only a newer server says. */
export const spoken = (saying: Saying): string | undefined => speak(saying, tongue)

/**
 * What is said, in the interface's language; what only a newer server says, in the English that it brings; '' for
 * nothing.
 */
export const saidWords = (told: Told | null | undefined): string => (told ? (spoken(told) ?? told.words) : '')

/** A sentence or name of core and server, as the interface says it. */
export const said = <Key extends SaidKey>(says: Key, ...[values]: ValuesOf<Key>): string =>
  saidWords(toldAs(says, values ?? {}))
