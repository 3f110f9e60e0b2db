import { troubles, type Behaviour } from './behaviour'
import { ways, type Book, type Sold } from './book'

const escape = (text: string) => text.replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`)

/** The carrier's counter: what was sold, how far it is, and what trouble is played. */
export function counter(book: Book, behaviour: Behaviour, only?: string): string {
  const all = book.all().filter((one) => !only || one.number === only)
  const options = (names: readonly string[], now: string) =>
    names.map((name) => `<option${name === now ? ' selected' : ''}>${name}</option>`).join('')
  const row = (one: Sold) => `<tr><td><a href="/way/${one.number}">${one.number}</a></td>
<td>${escape(one.consignee.join(', '))}</td><td>${one.kilos} kg</td><td>${one.price}</td>
<td>${one.cancelled ? 'given back' : one.way}</td><td>${escape(one.reference)}</td>
<td><form method="post" action="/counter/way"><input type="hidden" name="number" value="${one.number}">
<select name="way" aria-label="How far">${options(ways, one.way)}</select> <button>go on</button></form></td></tr>`
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Glenhaven Parcels</title><style>
body{font:15px/1.5 "Courier New",monospace;background:#d8e2dc;color:#14261c;margin:0}
header{background:#1d4d36;color:#eef5f0;padding:10px 24px;letter-spacing:.06em}header a{color:#eef5f0}
main{padding:18px 24px}table{border-collapse:collapse;width:100%}
td,th{border-bottom:1px dotted #55705f;text-align:left;padding:5px 10px 5px 0}
a{color:#1d4d36}input,select,button{font:inherit;padding:3px 6px}form{margin:0}</style></head><body>
<header>SIMULATED CARRIER &nbsp;·&nbsp; <a href="/">Glenhaven Parcels</a> &nbsp;·&nbsp; nothing is really
carried</header><main><h1>${all.length} labels</h1>
<form method="post" action="/counter/trouble">The counter <select name="does" aria-label="Trouble">${options(
    troubles,
    behaviour.does,
  )}</select> for <input name="times" size="3" value="1" aria-label="Times"> calls (0: until told otherwise)
<button>play it</button></form>
<table><tr><th>Number</th><th>To</th><th>Weight</th><th>Euro</th><th>How far</th><th>Reference</th><th></th></tr>
${all.toReversed().slice(0, 200).map(row).join('')}</table></main></body></html>`
}
