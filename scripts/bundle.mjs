// Bundles what runs beside the web server: the worker process, the render threads, the stand-ins, the demo's
// supervisor and loader.
import { build } from 'esbuild'

const entryPoints = {
  worker: 'server/queue/worker.ts',
  'render-thread': 'server/render/render-thread.ts',
  'mail-standin': 'standins/mail/main.ts',
  'carrier-standin': 'standins/carrier/main.ts',
  serve: 'run/serve.ts',
  supervise: 'demo/supervise.ts',
  load: 'demo/load.ts',
  bench: 'bench/main.ts',
}

await build({
  entryPoints,
  outdir: '.build/js',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  sourcemap: 'linked',
  logLevel: 'warning',
})
