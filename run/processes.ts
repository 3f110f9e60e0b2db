import { fork, type ChildProcess } from 'node:child_process'
import { createServer } from 'node:net'

/** A program that is kept running. */
export interface Program {
  name: string
  file: string
}

/** Programs that are kept running until they are stopped together. */
export interface Kept {
  stop: () => Promise<void>
}

/**
 * Starts programs and starts each again when it stops by itself, after a second, so that a broken one does not spin.
 * At the end they get SIGTERM, and after ten seconds SIGKILL.
 */
export function keepRunning(programs: readonly Program[], environment: NodeJS.ProcessEnv): Kept {
  const running = new Set<ChildProcess>()
  let stopping = false
  const start = ({ name, file }: Program): void => {
    const child = fork(file, [], {
      env: { ...environment, CLOTHESPIN_PROCESS: name },
      detached: true,
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    })
    running.add(child)
    child.once('exit', (code, signal) => {
      running.delete(child)
      if (stopping) return
      console.error(`  The ${name} stopped (${signal ?? code}); starting it again.`)
      setTimeout(() => !stopping && start({ name, file }), 1000)
    })
  }
  programs.forEach(start)
  return {
    stop: async () => {
      stopping = true
      await Promise.all([...running].map(end))
    },
  }
}

const end = (child: ChildProcess): Promise<void> =>
  new Promise((done) => {
    child.once('exit', () => done())
    child.kill('SIGTERM')
    setTimeout(() => child.kill('SIGKILL'), 10_000).unref()
  })

/** Waits until the web server answers. @returns false when it does not within a minute */
export async function answers(port: number): Promise<boolean> {
  for (const patience = Date.now() + 60_000; Date.now() < patience;) {
    const there = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (response) => response.ok,
      () => false,
    )
    if (there) return true
    await new Promise((done) => setTimeout(done, 150))
  }
  return false
}

/** Whether nobody listens on a loopback port. */
export function portIsFree(port: number): Promise<boolean> {
  return new Promise((done) => {
    const server = createServer()
    server.once('error', () => done(false))
    server.listen(port, '127.0.0.1', () => server.close(() => done(true)))
  })
}

/** Says why it did not start, and ends. */
export function fail(sentence: string): never {
  console.error(`\nClothespin did not start. ${sentence}\n`)
  process.exit(1)
}

/** Ends everything on Ctrl-C or when the system asks, once. */
export function onEnd(stop: () => Promise<void>): void {
  let ending = false
  for (const signal of ['SIGINT', 'SIGTERM'] as const)
    process.on(signal, () => {
      if (ending) return
      ending = true
      console.log('\n  Stopping …')
      void stop().then(() => process.exit(0))
    })
}
