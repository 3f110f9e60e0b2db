import { helpWords } from '../words/help'
import type { HelpTask } from './task'

/**
 * Help: a page about each task, by the screens where it is done. F1 opens those of the screen, Ctrl+K finds them by
 * what clerks call them.
 */
export const helpTasks = (): readonly HelpTask[] => helpWords().tasks

/** Those of a screen, the nearest first: what is done on it alone before what is done on all like it. */
export function tasksOf(path: string): HelpTask[] {
  const near = (task: HelpTask) =>
    Math.max(
      0,
      ...task.on
        .filter((start) => (start === '/' ? path === '/' : path.startsWith(start)))
        .map((start) => start.length),
    )
  return helpTasks()
    .map((task) => ({ task, near: near(task) }))
    .filter((one) => one.near > 0)
    .sort((a, b) => b.near - a.near)
    .map((one) => one.task)
}
