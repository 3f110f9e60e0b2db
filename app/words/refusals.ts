import type { components } from '../contract'
import { i18n } from '.'

export type Problem = components['schemas']['Problem']

/** What a refusal says, made from its key and values; what a newer server says, it says in its own English. */
export const refusalWords = ({ says, values, title }: Pick<Problem, 'says' | 'values' | 'title'>): string =>
  i18n.global.te(`refusals.${says}`) ? i18n.global.t(`refusals.${says}`, values) : title
