import { clock } from '../server/clock'
import { config } from '../server/config'
import { one, rows } from '../server/db/connection'
import { changeCustomer } from '../server/services/customers/customers'
import { sendCopy } from '../server/services/line/copy'
import { markSeen } from '../server/services/documents/refresh'
import { issueInOneTransaction } from '../server/services/documents/issue'
import { putBack } from '../server/services/documents/prepare-by-hand'
import { creditDocument } from '../server/services/drafts/credit'
import { changeDraft, draftView, newInvoice } from '../server/services/drafts/drafts'
import { setStatus } from '../server/services/orders/status'
import { hangFiles } from './enclosures'
import { newestInvoiceOf } from './newest'
import { writeToSchools } from './variants'
import { inTheNameOf } from '../server/services/people/principal'
import { changeRoutine } from '../server/services/routines/routines'

const clerk = 'Col Varley'
/** Somebody whose mail server breaks off while it takes the message: what went there is unclear. */
export const droppedAddress = 'auditor@hartwell.example'

/**
 * Today's goods: half went by themselves this morning; then the routine was set to "after a check", and the
 * rest waits.
 */
export async function today(
  leaving: number[],
  routine: number,
  at: (daysAgo: number, hour: number) => void,
  settle: () => Promise<void>,
): Promise<void> {
  const half = Math.floor(leaving.length / 2)
  at(0, 12)
  await setStatus(leaving.slice(0, half), 'Shipped', inTheNameOf(clerk))
  await settle()
  at(0, 13)
  const { version } = (await one<{ version: number }>('select version from routine where id = $1', [
    routine,
  ]))!
  await changeRoutine(routine, { version, trust: 'after a check' }, inTheNameOf('Maeve Tarrant'))
  at(0, 14)
  await hangFiles(1, leaving.slice(half))
  await writeToSchools(1)
  await setStatus(leaving.slice(half), 'Shipped', inTheNameOf(clerk))
  await settle()
  const [first] = await rows<{ id: number }>(
    `select id from prepared_document where state = 'prepared' order by id desc limit 1`,
  )
  at(0, 15)
  if (first) await putBack([first.id], inTheNameOf(clerk))
  await settle()
  await needsNumber(settle)
  await writeByHand(settle)
  const sent = await newestInvoiceOf('10417')
  if (sent) await sendCopy(sent.id, { address: droppedAddress }, inTheNameOf(clerk))
  for (let lapsed = 0; lapsed <= config.leaseSeconds; lapsed += 40) await settle()
}

/** A customer takes no invoice without a number of its own, and nobody has entered it yet: its invoice is held. */
async function needsNumber(settle: () => Promise<void>): Promise<void> {
  const [held] = await rows<{ id: number; customerId: number; version: number }>(
    `select p.id, c.id "customerId", c.version
    from prepared_document p
    join sales_order o on o.id = p.source_id
    join customer c on c.id = p.customer_id
    where p.state = 'prepared' and p.kind = 'invoice' and coalesce(o.reference, '') = ''
    order by p.id desc
    limit 1`,
  )
  if (!held) return
  const needs = { reference: true, fields: [] }
  await changeCustomer(held.customerId, { version: held.version, needs }, inTheNameOf(clerk))
  await settle()
  const built = await one<{ revision: number }>('select revision from prepared_document where id = $1', [
    held.id,
  ])
  await markSeen(held.id, built!.revision, inTheNameOf(clerk))
}

/**
 * What the desk writes without an order: a credit for one brood box that came broken, and a repair, still a
 * draft.
 */
async function writeByHand(settle: () => Promise<void>): Promise<void> {
  const invoice = await newestInvoiceOf('10420')
  if (invoice) {
    const { credit } = await creditDocument(
      invoice.id,
      { ask: { kind: 'lines', lines: [{ line: 0, quantity: '1' }] }, reason: 'Arrived broken', anew: false },
      inTheNameOf(clerk),
    )
    const [paper] = await rows<{ preparedId: number; revision: number }>(
      'select id "preparedId", revision from prepared_document where source_id = $1',
      [credit],
    )
    await issueInOneTransaction([paper!], inTheNameOf(clerk))
  }
  const customer = await one<{ id: number; brandId: number }>(
    `select c.id, (select min(id) from brand) "brandId" from customer c where number = '10418'`,
  )
  const draft = await newInvoice(customer!.id, customer!.brandId, inTheNameOf(clerk))
  const { version, facts } = await draftView(draft)
  const line = (description: string, quantity: string, unitPrice: string) => ({
    item: '',
    description,
    detail: null,
    unit: '',
    quantity,
    unitPrice,
    discountPercent: '0',
    taxCode: 'standard',
  })
  await changeDraft(
    draft,
    {
      version,
      brandId: customer!.brandId,
      customerId: customer!.id,
      earlierDateOk: false,
      facts: {
        ...facts,
        suppliedOn: clock.now().toISOString().slice(0, 10),
        lines: [
          line('Repair of a radial extractor, two hours', '2', '48.00'),
          line('Bearing set', '1', '19.90'),
        ],
      },
    },
    inTheNameOf(clerk),
  )
  await settle()
}
