import { i18n } from '../words'

/** Sentences with parts in them: `I18nT`. */
export default defineNuxtPlugin(({ vueApp }) => void vueApp.use(i18n))
