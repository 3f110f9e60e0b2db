import { helpWords } from '../words/help'
import type { Entry } from './entry'
import { helpTasks } from './tasks'

export type { Entry }

/** Help is found like all else; it opens where it is read. */
const helps = (): Entry[] =>
  helpTasks().map((task) => ({
    key: `help ${task.id}`,
    what: 'Help',
    words: task.words,
    also: task.also,
    to: '',
  }))

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter(Boolean)

/**
 * What fits: each typed word begins one of its words. Those whose own name fits come before those that are
 * only called so; places and acts before help.
 * @param may whether the person may what such a role may
 */
export function findEntries(text: string, may: (role: 'clerk' | 'supervisor') => boolean): Entry[] {
  const typed = wordsOf(text)
  const all = [...helpWords().entries, ...helps()].filter((entry) => !entry.for || may(entry.for))
  if (typed.length === 0) return all.filter((entry) => entry.what === 'Place' || entry.what === 'Act')
  const fits = (words: string) => {
    const own = wordsOf(words)
    return typed.every((one) => own.some((word) => word.startsWith(one)))
  }
  const byName = all.filter((entry) => fits(entry.words))
  return [
    ...byName,
    ...all.filter((entry) => !byName.includes(entry) && fits(`${entry.words} ${entry.also}`)),
  ]
}
