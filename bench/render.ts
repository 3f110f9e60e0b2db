import { readFileSync, readdirSync } from 'node:fs'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'
import type { Paper } from '../core/documents/paper'
import { exampleInvoice, longOrder, metrics, order, orderLine, plain } from '../core/testing/examples'
import { layOut } from '../core/designs/layout'
import { PdfkitPainter } from '../server/render/pdfkit-painter'
import { config } from '../server/config'
import type { Row } from './table'

/*
 * CPU for one paper: our layout and painter, beside a headless Chromium that prints the same paper, in the
 * same run.
 */
const ticksPerSecond = 100

/** CPU milliseconds used so far by a process and everything below it. */
function treeCpu(root: number): number {
  const parents = new Map<number, number>()
  const cpu = new Map<number, number>()
  for (const pid of readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number)) {
    try {
      const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
        .replace(/^.*\) /s, '')
        .split(' ')
      parents.set(pid, Number(fields[1]))
      cpu.set(pid, ((Number(fields[11]) + Number(fields[12])) * 1000) / ticksPerSecond)
    } catch {
      /* gone meanwhile */
    }
  }
  const below = (pid: number): boolean =>
    pid === root || (parents.has(pid) && parents.get(pid)! > 1 && below(parents.get(pid)!))
  return [...cpu].filter(([pid]) => below(pid)).reduce((sum, [, value]) => sum + value, 0)
}

function html(paper: Paper): string {
  const font = readFileSync(join(config.fontFolder, 'source-sans-3-400-latin.ttf')).toString('base64')
  const cells = (texts: string[], tag: string) => texts.map((text) => `<${tag}>${text}</${tag}>`).join('')
  const rows = paper.lines.map(({ item, description, detail, quantity, price, amount }) =>
    cells([item, `${description}<br><small>${detail ?? ''}</small>`, quantity, price, amount], 'td'),
  )
  const facts = paper.facts.map((fact) => `${fact.label} ${fact.value}`)
  const sums = paper.sums.map((sum) => `${sum.label} ${sum.amount}`)
  return `<!doctype html><meta charset="utf-8"><style>
@font-face{font-family:S;src:url(data:font/ttf;base64,${font})}
body{font:9pt S}
table{width:100%;border-collapse:collapse}
td{border-bottom:.5pt solid #ccc;padding:5pt 2pt}
tr{break-inside:avoid}
thead{display:table-header-group}</style>
<h2>${paper.brand.name}</h2>
<p>${paper.recipient.lines.join('<br>')}</p>
<h1>${paper.heading} ${paper.number}</h1>
<p>${facts.join('<br>')}</p>
<table><thead><tr>${cells(Object.values(paper.columns), 'th')}</tr></thead>
<tbody>${rows.map((row) => `<tr>${row}</tr>`).join('')}</tbody></table>
<p>${sums.join('<br>')}<br><b>${paper.toPay.label} ${paper.toPay.amount}</b></p>`
}

export async function benchRender(): Promise<Row[]> {
  const painter = new PdfkitPainter(config.fontFolder)
  const eight = { ...order, lines: Array.from({ length: 8 }, () => orderLine()) }
  const cases = [
    { name: 'one page, 8 lines', paper: exampleInvoice({ order: eight }), times: 200, aim: 'a sixth' },
    { name: '200 lines', paper: exampleInvoice({ order: longOrder(200) }), times: 40, aim: 'a third' },
  ]
  const browser = await puppeteer.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--disable-background-networking'],
    userDataDir: mkdtempSync(join(tmpdir(), 'bench-')),
  })
  const page = await browser.newPage()
  const found: Row[] = []
  for (const { name, paper, times, aim } of cases) {
    const paint = () =>
      painter.paint(layOut(paper, plain, metrics), new Map(), {
        madeAt: new Date(0),
        author: '',
        subject: '',
      })
    for (let turn = 0; turn < 20; turn++) await paint()
    const start = process.cpuUsage()
    for (let turn = 0; turn < times; turn++) await paint()
    const own = process.cpuUsage(start)
    const ours = (own.user + own.system) / 1000 / times

    const print = async () => {
      await page.setContent(html(paper))
      await page.pdf({ format: 'A4' })
    }
    for (let turn = 0; turn < 3; turn++) await print()
    const pid = browser.process()!.pid!
    const before = treeCpu(pid)
    for (let turn = 0; turn < 20; turn++) await print()
    const theirs = (treeCpu(pid) - before) / 20
    found.push({
      what: `CPU per paper, ${name}`,
      ours: `${ours.toFixed(1)} ms`,
      other: `${theirs.toFixed(1)} ms (Chromium print)`,
      ratio: `1/${(theirs / ours).toFixed(1)}`,
      aim,
    })
  }
  await browser.close()
  return found
}
