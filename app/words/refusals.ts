import type { components } from '../contract'
import { spoken } from './speech'

export type Problem = components['schemas']['Problem']

/** What a refusal says, made from its key and values; what a newer server says, it says in its own English. */
export const refusalWords = ({ says, values, title }: Pick<Problem, 'says' | 'values' | 'title'>): string =>
  spoken({ says, values }) ?? title
