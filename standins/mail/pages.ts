import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { simpleParser } from 'mailparser'
import { behaviours, type Behaviour, type Rules } from './rules'
import type { Statements } from '../bank/statements'
import type { Kept, Mailboxes } from './mailboxes'

const escape = (text: string) => text.replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`)

/** A page that nobody takes for the product: typewriter letters on buff, no scripts. */
function page(title: string, body: string): string {
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${escape(title)}</title><style>
body{font:15px/1.5 "Courier New",monospace;background:#efe3c2;color:#2b2112;margin:0}
header{background:#6d2c1f;color:#f7ecd0;padding:10px 24px;letter-spacing:.06em}
header a{color:#f7ecd0}
main{padding:18px 24px;max-width:1100px}
table{border-collapse:collapse;width:100%}
td,th{border-bottom:1px dotted #8d7a4d;text-align:left;padding:5px 10px 5px 0;vertical-align:top}
a{color:#6d2c1f}iframe{width:100%;height:420px;border:1px solid #8d7a4d;background:#fff}
pre{white-space:pre-wrap;background:#f8f0da;padding:10px}
input,select,button{font:inherit;padding:3px 6px}form{margin:14px 0}</style></head><body>
<header>SIMULATED POST OFFICE &nbsp;·&nbsp; <a href="/">all mailboxes</a> &nbsp;·&nbsp;
<a href="/rules">trouble</a> &nbsp;·&nbsp; <a href="/bank">bank counter</a> &nbsp;·&nbsp;
nothing here leaves this computer</header>
<main>${body}</main></body></html>`
}

function mailRow(mail: Kept): string {
  return (
    `<tr><td>${escape(mail.receivedAt.slice(0, 19).replace('T', ' '))}</td>` +
    `<td><a href="/mail/${mail.id}">${escape(decodeWords(mail.subject)) || '(no subject)'}</a></td>` +
    `<td>${escape(mail.to)}</td></tr>`
  )
}

/** RFC 2047 words in a header, for the list. */
function decodeWords(text: string): string {
  return text.replace(/=\?utf-8\?([bq])\?([^?]*)\?=\s*/gi, (_, kind: string, data: string) =>
    kind.toLowerCase() === 'b'
      ? Buffer.from(data, 'base64').toString('utf8')
      : Buffer.from(
          data
            .replace(/_/g, ' ')
            .replace(/=([0-9a-f]{2})/gi, (_all, hex: string) => String.fromCharCode(parseInt(hex, 16))),
          'latin1',
        ).toString('utf8'),
  )
}

function boxes(mailboxes: Mailboxes): string {
  const counts = new Map<string, number>()
  for (const mail of mailboxes.all()) counts.set(mail.to, (counts.get(mail.to) ?? 0) + 1)
  const rows = [...counts]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(
      ([to, count]) =>
        `<tr><td><a href="/mailbox/${encodeURIComponent(to)}">${escape(to)}</a></td><td>${count}</td></tr>`,
    )
  return page(
    'Mailboxes',
    `<h1>Mailboxes</h1><p>${mailboxes.all().length} mails in ${counts.size} mailboxes.</p>
<table><tr><th>Address</th><th>Mails</th></tr>${rows.join('')}</table>`,
  )
}

async function mailPage(mailboxes: Mailboxes, id: string): Promise<string | undefined> {
  const raw = mailboxes.raw(id)
  const kept = mailboxes.all().find((mail) => mail.id === id)
  if (!raw || !kept) return undefined
  const mail = await simpleParser(raw)
  const header = (name: string, value: string | undefined) =>
    value ? `<tr><th>${name}</th><td>${escape(value)}</td></tr>` : ''
  const files = mail.attachments.map(
    (file, index) =>
      `<a href="/mail/${id}/file/${index}/${encodeURIComponent(file.filename ?? 'file')}" ` +
      `data-file>${escape(file.filename ?? 'file')}</a> (${file.size} bytes)`,
  )
  const body = mail.html
    ? `<iframe sandbox srcdoc="${escape(mail.html)}" title="the mail"></iframe><h2>As ` +
      `text</h2><pre>${escape(mail.text ?? '')}</pre>`
    : `<pre>${escape(mail.text ?? '')}</pre>`
  return page(
    mail.subject ?? 'Mail',
    `<p><a href="/mailbox/${encodeURIComponent(kept.to)}">mailbox of ${escape(kept.to)}</a></p>
<h1>${escape(mail.subject ?? '')}</h1><table>
${header('From', mail.from?.text)}${header(
      'To',
      [mail.to ?? []]
        .flat()
        .map((to) => to.text)
        .join(', '),
    )}${header('Reply to', mail.replyTo?.text)}
${header('Date', mail.date?.toISOString())}${header('Received', kept.receivedAt)}
${header('Message-ID', mail.messageId)}${header('Return path', kept.from)}</table>
<p>Enclosed: ${files.join(', ') || 'nothing'} · <a href="/mail/${id}/raw">as it came</a></p>${body}`,
  )
}

function rulesPage(rules: Rules): string {
  const rows = rules.all().map(
    ({ who, does, until, seconds }) => `<tr><td>${escape(who)}</td>
<td>${does}${until ? ` until ${escape(until)}` : ''}${seconds ? `, ${seconds} s` : ''}</td>
<td><form method="post" action="/rules/remove" style="margin:0">
<input type="hidden" name="who" value="${escape(who)}"><button>take away</button></form></td></tr>`,
  )
  return page(
    'Trouble',
    `<h1>Trouble to play</h1><form method="post" action="/rules">
Mail for <input name="who" placeholder="address or domain" required>
<select name="does">${behaviours.map((name) => `<option>${name}</option>`).join('')}</select>
for <input name="amount" size="4" value="2"> (minutes or seconds) <button>play it</button></form>
<table><tr><th>Mail for</th><th>What happens</th><th></th></tr>${rows.join('')}</table>`,
  )
}

async function form(request: IncomingMessage): Promise<URLSearchParams> {
  const chunks: Buffer[] = []
  for await (const chunk of request) chunks.push(chunk as Buffer)
  return new URLSearchParams(Buffer.concat(chunks).toString('utf8'))
}

/** The web page of the mailboxes, and a plain JSON view of the same for tests. */
export function pages(rules: Rules, mailboxes: Mailboxes, statements: Statements): Server {
  return createServer((request, response) => {
    answer(request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500)
      response.end()
    })
  })

  async function answer(request: IncomingMessage, response: ServerResponse): Promise<void> {
    const url = new URL(request.url ?? '/', 'http://localhost')
    const parts = url.pathname.split('/').filter(Boolean).map(decodeURIComponent)
    const send = (body: string | Buffer | undefined, type = 'text/html; charset=utf-8') => {
      response.writeHead(body === undefined ? 404 : 200, {
        'content-type': body === undefined ? 'text/plain' : type,
        'x-content-type-options': 'nosniff',
        'cache-control': 'no-store',
      })
      response.end(body ?? 'There is nothing here.')
    }
    if (request.method === 'POST' && parts[0] === 'rules') {
      const fields = await form(request)
      const who = (fields.get('who') ?? '').trim().toLowerCase()
      const does = fields.get('does') as Behaviour
      const amount = Number(fields.get('amount') ?? 2)
      if (parts[1] === 'remove') rules.remove(who)
      else if (who && behaviours.includes(does)) {
        rules.set({
          who,
          does,
          ...(does === 'refuse for minutes'
            ? { until: new Date(Date.now() + amount * 60_000).toISOString() }
            : {}),
          ...(does === 'accept slowly' || does === 'bounce later' ? { seconds: amount } : {}),
        })
      }
      response.writeHead(303, { location: '/rules' })
      response.end()
      return
    }
    switch (parts[0]) {
      case undefined:
        return send(boxes(mailboxes))
      case 'rules':
        return send(rulesPage(rules))
      case 'bank':
        return parts[1]
          ? send(statements.read(parts[1]), parts[1].endsWith('.csv') ? 'text/csv' : 'application/xml')
          : send(
              page(
                'Bank counter',
                `<h1>Bank counter</h1>
<p>Statements to take away: those of one account as ISO 20022 camt.053, those of the other as CSV.</p><ul>${
                  statements
                    .names()
                    .map((name) => `<li><a href="/bank/${name}" download>${name}</a></li>`)
                    .join('') || '<li>none yet</li>'
                }</ul>`,
              ),
            )
      case 'all.json':
        return send(JSON.stringify(mailboxes.all()), 'application/json')
      case 'mailbox': {
        const mails = mailboxes.of(parts[1] ?? '')
        const heads = '<tr><th>Received</th><th>Subject</th><th>To</th></tr>'
        const list = `<table>${heads}${mails.map(mailRow).join('')}</table>`
        return send(
          page(
            parts[1] ?? '',
            `<h1>Mailbox of ${escape(parts[1] ?? '')}</h1>${mails.length ? list : '<p>No mail yet.</p>'}`,
          ),
        )
      }
      case 'mail': {
        if (parts[2] === 'raw') return send(mailboxes.raw(parts[1]!), 'text/plain; charset=utf-8')
        if (parts[2] === 'file') {
          const raw = mailboxes.raw(parts[1]!)
          const file = raw && (await simpleParser(raw)).attachments[Number(parts[3])]
          return send(file?.content, file?.contentType)
        }
        return send(await mailPage(mailboxes, parts[1] ?? ''))
      }
      default:
        return send(undefined)
    }
  }
}
