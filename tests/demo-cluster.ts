import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { TestProject } from 'vitest/node'
import { freePort } from '../run/cluster'
import { clusterFor } from './clusters'

/** A fast cluster whose template already holds the small demo house, lived through once; every desk copies it. */
export default async function demoCluster(project: TestProject): Promise<() => void> {
  const stop = await clusterFor(project, false)
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-demo-'))
  const [smtp, returns] = [await freePort(), await freePort()]
  const loaded = spawnSync(process.execPath, ['.build/js/load.mjs'], {
    encoding: 'utf8',
    env: {
      ...process.env,
      CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
      CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtp}`,
      CLOTHESPIN_SMTP_VERIFY: 'no',
      CLOTHESPIN_RETURN_PORT: String(returns),
      CLOTHESPIN_LOG: 'error',
      CLOTHESPIN_DEMO_SIZE: 'test',
      STANDIN_MAIL_FOLDER: folder,
    },
  })
  if (loaded.status !== 0) throw new Error(`the demo could not be loaded: ${loaded.stderr}`)
  project.provide('demoMail', folder)
  return () => {
    stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

declare module 'vitest' {
  export interface ProvidedContext {
    demoMail: string
  }
}
