import { i18n } from '../words'

/** Words in templates: `$t`. */
export default defineNuxtPlugin(({ vueApp }) => void vueApp.use(i18n))
