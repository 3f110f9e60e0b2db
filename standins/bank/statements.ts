import { existsSync, readdirSync, readFileSync } from 'node:fs'
import { basename, join } from 'node:path'

/** The simulated bank's counter: statements that lie in a folder, to be taken away. */
export class Statements {
  constructor(private folder: string) {}

  names(): string[] {
    const place = join(this.folder, 'bank')
    return existsSync(place)
      ? readdirSync(place)
          .filter((name) => /^[\w.-]+\.(xml|csv)$/.test(name))
          .sort()
          .reverse()
      : []
  }

  read(name: string): Buffer | undefined {
    return this.names().includes(basename(name))
      ? readFileSync(join(this.folder, 'bank', basename(name)))
      : undefined
  }
}
