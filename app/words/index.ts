import { createI18n } from 'vue-i18n'
import type { NamesIn } from '../../core/filled'
import { sentences } from '../../core/refusals/sentences'
import { saidSentences } from '../../core/said/sentences'
import { en } from './en'

/** What vue-i18n would read as syntax stands for itself: addresses have an @, and a sentence may have a stroke. */
const escaped = (sentence: string) => sentence.replace(/[@|]/g, (sign) => `{'${sign}'}`)

/** Of a count the stroke stands between its forms. */
export const messagesOf = (table: Readonly<Record<string, string>>) =>
  Object.fromEntries(
    Object.entries(table).map(([key, text]) => [key, key.startsWith('count/') ? text : escaped(text)]),
  )

/**
 * Every word of the interface, by language and screen; the sentences that core and server say (refusals, and what they
 * say of their own accord) are the core's.
 */
export const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: { en: { ...en, refusals: messagesOf(sentences), said: messagesOf(saidSentences) } },
})

type Screens = typeof en
type WordKey = { [Screen in keyof Screens]: `${Screen}.${keyof Screens[Screen] & string}` }[keyof Screens]

/** The words of a key, as they stand in the table. */
type TextOf<Key extends string> = Key extends `${infer Screen extends keyof Screens}.${infer Word}`
  ? Word extends keyof Screens[Screen]
    ? Screens[Screen][Word]
    : never
  : never
/** What stands in quotes between braces stands for itself. */
type NameOf<Key extends WordKey> = Exclude<NamesIn<TextOf<Key>>, `'${string}`>
type ValuesOf<Key extends WordKey> = [NameOf<Key>] extends [never]
  ? []
  : [values: Record<NameOf<Key>, string | number | null | undefined>]

/** The words of a key, with their values in place: no key that is not there, and no value left out. */
export const t = <Key extends WordKey>(key: Key, ...[values]: ValuesOf<Key>): string =>
  i18n.global.t(key, (values ?? {}) as Record<string, unknown>)
