import { spawn, spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { randomUUID } from 'node:crypto'
import { afterAll, expect, test } from 'vitest'
import { one, run } from '../../server/db/connection'
import { startRun } from '../../server/services/documents/send-run'
import {
  confirmation,
  confirmInstallation,
  guardInstallation,
  keepInstallation,
} from '../../server/services/house/installation'
import { resumeAll } from '../../server/services/house/settings'
import { houseState } from '../../server/services/house/health'
import { papersOf, useHouse } from './house'
import { inTheNameOf } from '../../server/services/people/principal'

/* A copied or restored database must not speak. */
const house = useHouse()
const folder = mkdtempSync(join(tmpdir(), 'clothespin-installation-'))
const file = join(folder, 'id')
afterAll(() => {
  delete process.env.CLOTHESPIN_INSTALLATION_FILE
  rmSync(folder, { recursive: true, force: true })
})
/** Runs beside this process, whose own jobs must be able to end meanwhile. */
const script = (name: string, ...args: string[]) =>
  new Promise<{ status: number | null; stderr: string }>((resolve) => {
    const child = spawn(join('bin', name), args, { env: process.env, stdio: ['ignore', 'ignore', 'pipe'] })
    let stderr = ''
    child.stderr.on('data', (chunk: Buffer) => (stderr += chunk.toString()))
    child.once('close', (status) => resolve({ status, stderr }))
  })
const issued = async () => (await one<{ count: number }>('select count(*)::int count from document'))!.count

test(
  'the database of this installation speaks; another one is paused, and cannot be resumed before ' +
    'it is confirmed',
  async () => {
    process.env.CLOTHESPIN_INSTALLATION_FILE = file
    await keepInstallation()
    await guardInstallation()
    expect(await houseState()).toMatchObject({ paused: false, confirmNeeded: false })
    writeFileSync(file, randomUUID())
    await guardInstallation()
    expect(await houseState()).toMatchObject({
      paused: true,
      confirmNeeded: true,
      pauseReason: 'This database was copied or restored.',
    })
    await expect(resumeAll()).rejects.toThrow('Confirm the last numbers')
    await confirmInstallation(inTheNameOf('Maeve'))
    expect(await houseState()).toMatchObject({ paused: true, confirmNeeded: false })
    await resumeAll()
    await guardInstallation()
    expect(await houseState()).toMatchObject({ paused: false })
  },
)

test(
  'backed up and restored: the house is as it was then, and keeps silent until a supervisor has ' +
    'looked at the last numbers',
  async () => {
    const orders = [await house.newOrder(), await house.newOrder()]
    await house.ship(orders)
    const [first, second] = await papersOf(orders)
    await startRun([first!], randomUUID(), { id: 1, name: 'Col' })
    await house.settle()
    const backup = join(folder, 'house.backup')
    expect(await script('backup', backup)).toMatchObject({ status: 0 })
    await startRun([second!], randomUUID(), { id: 1, name: 'Col' })
    await house.settle()
    expect(await issued()).toBe(2)

    expect(await script('restore', backup)).toMatchObject({ status: 1 })
    expect(await issued()).toBe(2)
    const restored = await script('restore', backup, '--yes')
    expect(restored).toMatchObject({ status: 0, stderr: '' })
    expect(await issued()).toBe(1)
    await guardInstallation()
    await startRun([second!], randomUUID(), { id: 1, name: 'Col' })
    await house.settle()
    expect(await issued()).toBe(1)
    const asked = await confirmation()
    expect(asked).toMatchObject({ needed: true })
    expect(asked.series.map((one) => one.last)).toEqual([expect.stringMatching(/^INV-\d{4}-00001$/)])
    await expect(run('delete from document')).rejects.toThrow('never changed or deleted')
    await confirmInstallation(inTheNameOf('Maeve'))
    const { id, oid } = (await one<{ id: string; oid: string }>(
      `select installation_id id, (select oid::text from pg_database where datname = current_database()) oid
    from company`,
    ))!
    expect(readFileSync(file, 'utf8').trim()).toMatch(new RegExp(`^${id} cluster \\d+ database ${oid}$`))
    // a raw copy beside it has the same id in another database, or another cluster
    writeFileSync(file, readFileSync(file, 'utf8').replace(`database ${oid}`, 'database 1'))
    await guardInstallation()
    expect(await houseState()).toMatchObject({ paused: true, confirmNeeded: true })
    await confirmInstallation(inTheNameOf('Maeve'))
  },
)

test('a worker refuses a real mail server that nobody switched on', () => {
  const worker = spawnSync(process.execPath, ['.build/js/worker.mjs'], {
    encoding: 'utf8',
    timeout: 20_000,
    env: { ...process.env, CLOTHESPIN_SMTP_URL: 'smtp://mail.house.example:587', CLOTHESPIN_REAL_MAIL: '' },
  })
  expect(worker.status).toBe(1)
  expect(worker.stderr).toContain('Say CLOTHESPIN_REAL_MAIL=yes')
})

test('no worker, and that is said', async () => {
  await run(`update worker set beat_at = now() - interval '2 minutes'`)
  expect((await houseState()).troubles).toMatchObject([{ says: 'state/no-worker' }])
})
