import { cpus } from 'node:os'
import { benchCheck } from './check'
import { benchDataIn } from './data-in'
import { benchEmails } from './emails'
import { benchFirstLoad } from './first-load'
import { benchLabels } from './labels'
import { benchPosting } from './posting'
import { benchRender } from './render'
import { benchSending } from './sending'
import { benchStatements } from './statements'
import { benchTrial } from './trial'
import { printTable, type Row } from './table'

/** Measures and prints; asserts nothing. Name parts to run only those: bin/bench render trial */
const parts: Record<string, () => Promise<Row[]>> = {
  render: benchRender,
  posting: benchPosting,
  data: benchDataIn,
  emails: benchEmails,
  sending: benchSending,
  statements: benchStatements,
  labels: benchLabels,
  check: benchCheck,
  trial: benchTrial,
  load: benchFirstLoad,
}
const wanted = process.argv.slice(2)
console.log(`${cpus().length} × ${cpus()[0]!.model.trim()}, Node.js ${process.version}\n`)
const rows: Row[] = []
for (const [name, part] of Object.entries(parts))
  if (wanted.length === 0 || wanted.includes(name)) rows.push(...(await part()))
printTable(rows)
process.exit(0)
