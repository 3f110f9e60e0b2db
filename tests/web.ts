import { fork, type ChildProcess } from 'node:child_process'
import { freePort } from '../run/cluster'

/** Starts the built web server on a free port, with the environment as it is. */
export async function startWeb(): Promise<{ base: string; stop: () => Promise<void> }> {
  const port = await freePort()
  const child: ChildProcess = fork('.output/server/index.mjs', [], {
    execArgv: [],
    env: {
      ...process.env,
      PORT: String(port),
      NITRO_PORT: String(port),
      HOST: '127.0.0.1',
      NITRO_HOST: '127.0.0.1',
      NODE_ENV: 'production',
      CLOTHESPIN_PROCESS: 'web',
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  })
  const base = `http://127.0.0.1:${port}`
  for (let attempt = 0; attempt < 200; attempt++) {
    if (
      await fetch(`${base}/api/health`).then(
        (response) => response.ok,
        () => false,
      )
    )
      break
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return {
    base,
    stop: async () => {
      if (child.exitCode !== null || child.signalCode !== null) return
      const gone = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGKILL')
      await gone
    },
  }
}
