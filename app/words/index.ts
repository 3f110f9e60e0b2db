import { createI18n } from 'vue-i18n'
import { sentences } from '../../core/refusals/sentences'
import { en } from './en'

/** What vue-i18n would read as syntax stands for itself: addresses have an @, and a sentence may have a stroke. */
const escaped = (sentence: string) => sentence.replace(/[@|]/g, (sign) => `{'${sign}'}`)

const refusals = Object.fromEntries(Object.entries(sentences).map(([key, text]) => [key, escaped(text)]))

/** Every word of the interface, by language and screen; the refusals' sentences are the core's. */
export const i18n = createI18n({
  legacy: false,
  locale: 'en',
  fallbackLocale: 'en',
  messages: { en: { ...en, refusals } },
})

/** The words of a key, with their values in place; `$t` in templates. */
export const { t } = i18n.global
