import { exampleInvoice, longOrder, order } from '../core/testing/examples'
import { starterText } from '../core/house/starter'
import { fillEmailText, type EmailText } from '../core/emailtexts/email-text'
import { plainEmailLook } from '../core/emailtexts/email-look'
import { letterFacts } from '../core/emailtexts/letter-fields'
import { composeMessage, type Letter } from '../server/services/dispatch/compose'
import type { Row } from './table'

/*
 * Emails a second of one core: the text filled, beside the whole message built round it with a PDF of 60 kB. What the
 * message costs is base64 and MIME; the text is the smaller part.
 */
const brand = {
  name: 'Tansy Hollow',
  colours: { brand: '#8a5a00', accent: '#d9a514' },
  emailLook: plainEmailLook,
  senderName: 'Tansy Hollow Accounts',
  senderAddress: 'accounts@tansyhollow.example',
  replyTo: 'accounts@tansyhollow.example',
}
const people = {
  customer: 'Ottermill',
  contact: 'Nuala Fennimore',
  brand: brand.name,
  sender: brand.senderName,
}
const pdf = { name: 'Invoice.pdf', bytes: new Uint8Array(60_000).fill(65) }

async function perSecond(times: number, act: (turn: number) => unknown): Promise<number> {
  for (let turn = 0; turn < times / 10; turn++) await act(turn)
  const start = performance.now()
  for (let turn = 0; turn < times; turn++) await act(turn)
  return (times / (performance.now() - start)) * 1000
}

export async function benchEmails(): Promise<Row[]> {
  const supplied = starterText('first', 'invoice', 'en')
  const withTable: EmailText = {
    ...supplied,
    text: { type: 'doc', content: [...supplied.text.content, { type: 'factTable', attrs: { of: 'lines' } }] },
  }
  const cases = [
    { name: 'supplied text, 3 lines', note: supplied, paper: exampleInvoice({ order }) },
    { name: 'with a table of 200 lines', note: withTable, paper: exampleInvoice({ order: longOrder(200) }) },
  ]
  const found: Row[] = []
  for (const { name, note, paper } of cases) {
    const frame = { brandName: brand.name, colours: brand.colours, look: plainEmailLook, footLines: ['x'] }
    const fill = await perSecond(2000, () =>
      fillEmailText(note, letterFacts([paper], people), { ...frame, language: 'en' }),
    )
    const letter: Letter = { note, paper, customerName: people.customer, brand, recipients: [] }
    const build = await perSecond(1000, (turn) =>
      composeMessage(letter, [pdf], { messageId: `<${turn}@x.example>`, date: new Date(0) }),
    )
    found.push({
      what: `emails a second and core, ${name}`,
      ours: `${Math.round(fill)} filled`,
      other: `${Math.round(build)} built with a PDF of 60 kB`,
      ratio: (fill / build).toFixed(1),
      aim: '',
    })
  }
  return found
}
