import type { components } from '../contract'
import { i18n } from '.'

export type Told = components['schemas']['Told']

/** What is said, made from its key and values; what only a newer server says, it says in its own English. */
export const saidWords = ({ says, values, words }: Told): string =>
  i18n.global.te(`said.${says}`) ? i18n.global.t(`said.${says}`, values) : words
