import type { Entry } from '../help/entry'
import type { HelpTask } from '../help/task'
import { i18n } from '.'
import { help as en } from './en/help'

interface HelpWords {
  entries: readonly Entry[]
  tasks: readonly HelpTask[]
}

const byLanguage: Readonly<Record<string, HelpWords>> = { en }

/** Help in the language of the interface. */
export const helpWords = (): HelpWords => byLanguage[i18n.global.locale.value] ?? en
