/**
 * The one clock of the server side. Nothing else reads the time, so that the demo's loader can live through past days
 * and tests can stand at an exact moment.
 */
let read = (): Date => new Date()

export const clock = {
  now: (): Date => read(),
  /** Sets another clock; returns how to set the old one back. */
  use(other: () => Date): () => void {
    const before = read
    read = other
    return () => {
      read = before
    }
  },
}
