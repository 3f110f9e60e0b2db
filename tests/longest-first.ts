import { BaseSequencer, type TestSpecification } from 'vitest/node'

/** Files that last longest: begun last, each would keep one core waiting for the other. */
const long = ['nasty-bodies', 'nasty-paths', 'turns', 'axe', 'order-to-mailbox', 'house.test']

/** Without a cache, as in a fresh clone, files would be begun by their size. */
export class LongestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const place = ({ moduleId }: TestSpecification) => {
      const found = long.findIndex((name) => moduleId.includes(`/${name}`))
      return found < 0 ? long.length : found
    }
    return (await super.sort(files)).toSorted((one, other) => place(one) - place(other))
  }
}
