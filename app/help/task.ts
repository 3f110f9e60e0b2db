/** One page of help: how a task is done. A step that begins with "-" is a remark and no step. */
export interface HelpTask {
  id: string
  /** What one wants to do. */
  words: string
  /** Other words that find it. */
  also: string
  /** The beginnings of the paths of its screens. */
  on: readonly string[]
  steps: readonly string[]
  /** Where it is done. */
  to?: string
}
