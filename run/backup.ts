import { execFileSync } from 'node:child_process'
import { mkdirSync, renameSync } from 'node:fs'
import { join } from 'node:path'
import { binaries } from './cluster'

/** Writes the whole database into one file (pg_dump, custom format). @returns the file */
export function backUp(databaseUrl: string, folder: string): string {
  mkdirSync(folder, { recursive: true, mode: 0o700 })
  const moment = new Date().toISOString().replace(/[-:]/g, '').slice(0, 15)
  const file = join(folder, `before-upgrade-${moment}.backup`)
  execFileSync(
    join(binaries(), 'pg_dump'),
    ['--format=custom', '--no-owner', `--file=${file}.part`, databaseUrl],
    { stdio: ['ignore', 'ignore', 'inherit'] },
  )
  renameSync(`${file}.part`, file)
  return file
}
