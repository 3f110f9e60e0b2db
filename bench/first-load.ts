import { mkdirSync, mkdtempSync, rmSync } from 'node:fs'
import { spawnSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import puppeteer from 'puppeteer-core'
import { demoStaff } from '../demo/house'
import { ensureDatabase, freePort, startCluster, stopCluster, type Cluster } from '../run/cluster'
import { startWeb } from '../tests/web'
import type { Row } from './table'

/*
 * The first load of the Line in a browser that has nothing yet: JavaScript on the wire, and the time to the
 * first row and to the paper.
 */
export async function benchFirstLoad(): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'clothespin-bench-load-'))
  const cluster: Cluster = {
    folder: join('/var/tmp', `clothespin-bench-load-${process.pid}`),
    port: await freePort(),
    password: 'bench',
    durable: false,
  }
  mkdirSync(cluster.folder, { recursive: true })
  await startCluster(cluster)
  const [smtp, returns] = [await freePort(), await freePort()]
  Object.assign(process.env, {
    CLOTHESPIN_DATABASE_URL: await ensureDatabase(cluster, 'bench'),
    CLOTHESPIN_SECRET: 'a secret of at least thirty-two characters',
    CLOTHESPIN_SMTP_URL: `smtp://127.0.0.1:${smtp}`,
    CLOTHESPIN_SMTP_VERIFY: 'no',
    CLOTHESPIN_RETURN_PORT: String(returns),
    CLOTHESPIN_LOG: 'silent',
    CLOTHESPIN_DEMO_SIZE: 'test',
    STANDIN_MAIL_FOLDER: folder,
  })
  const loaded = spawnSync(process.execPath, ['.build/js/load.mjs'], { env: process.env, encoding: 'utf8' })
  if (loaded.status !== 0) throw new Error(loaded.stderr)
  const web = await startWeb()
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage'],
    userDataDir: join(folder, 'profile'),
  })
  try {
    const clerk = demoStaff().find((person) => person.role === 'clerk')!
    const firstRow: number[] = []
    let toRow = 0
    let whole = 0
    for (let turn = 0; turn < 5; turn++) {
      const context = await browser.createBrowserContext()
      const page = await context.newPage()
      await page.setViewport({ width: 1280, height: 800 })
      await page.goto(`${web.base}/api/health`)
      await page.evaluate(
        (body) =>
          fetch('/api/session', { method: 'POST', headers: { 'content-type': 'application/json' }, body }),
        JSON.stringify({ email: clerk.email, password: clerk.password }),
      )
      let size = 0
      page.on('response', (response) => {
        if (/\.m?js$/.test(new URL(response.url()).pathname))
          response.buffer().then(
            (bytes) => (size += gzipSync(bytes).byteLength),
            () => {},
          )
      })
      const began = performance.now()
      await page.goto(web.base)
      await page.waitForSelector('[role="option"]')
      firstRow.push(performance.now() - began)
      await new Promise((resolve) => setTimeout(resolve, 20))
      toRow = size
      await page.waitForSelector('[data-test="pdf-pages"] canvas')
      await new Promise((resolve) => setTimeout(resolve, 500))
      whole = size
      await context.close()
    }
    firstRow.sort((a, b) => a - b)
    return [
      {
        what: 'first load of the Line: JavaScript, gzipped',
        ours: `${(toRow / 1000).toFixed(0)} kB to the first row`,
        other: `${(whole / 1000).toFixed(0)} kB with the PDF viewer, loaded after`,
        ratio: '',
        aim: 'under 350 kB',
      },
      {
        what: 'first load of the Line: time to the first row',
        ours: `${firstRow[2]!.toFixed(0)} ms`,
        other: '',
        ratio: '',
        aim: '',
      },
    ]
  } finally {
    await browser.close()
    await web.stop()
    stopCluster(cluster, 'immediate')
    rmSync(cluster.folder, { recursive: true, force: true })
    rmSync(folder, { recursive: true, force: true })
  }
}
