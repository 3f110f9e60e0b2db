import { describe, expect, test } from 'vitest'
import { one, rows } from '../../server/db/connection'
import type { DraftFacts } from '../../core/documents/draft'
import { creditDocument } from '../../server/services/drafts/credit'
import { changeDraft, draftView, newInvoice } from '../../server/services/drafts/drafts'
import { branches, keepBranch, type BranchChange } from '../../server/services/house/branches'
import { addSeries } from '../../server/services/house/series'
import { issueInOneTransaction } from '../../server/services/documents/issue'
import { checkImport, importView, takeImport, writeImport } from '../../server/services/imports/imports'
import { importRows } from '../../server/services/imports/imports-queries'
import { listOrders } from '../../server/services/orders/list-queries'
import { orderView } from '../../server/services/orders/list'
import { writeOrder } from '../../server/services/orders/new-order'
import { editOrder } from '../../server/services/orders/orders'
import { inTheNameOf } from '../../server/services/people/principal'
import { papersOf, until, useHouse } from './house'

/* A place that a brand sells from: its address and account on documents, its own numbers, and its end. */
const house = useHouse({ reports: false })
const who = { ...inTheNameOf('Col Varley'), id: 1 }
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string; about?: { field?: string } }) =>
      `${error.code} ${error.about?.field ?? ''}`.trim(),
  )
const quay = (more: Partial<BranchChange> = {}): BranchChange => ({
  brandId: house.brands[0]!.id,
  name: 'Quay shop',
  addressLines: ['7 Salt Quay', 'Port Ardal'],
  country: 'IE',
  phone: '+353 00 777',
  email: '',
  banks: [{ name: 'Quay Bank', iban: 'IE29 AIBK 9311 5212 3456 78', bic: '', currency: '' }],
  closed: false,
  ...more,
})
const order = (more = {}) =>
  writeOrder(
    {
      brandId: house.brands[0]!.id,
      customerId: house.customers[0]!.id,
      status: 'Shipped',
      reference: null,
      customerNote: null,
      lines: [
        {
          item: 'HB-10N',
          description: 'Brood box',
          detail: null,
          unit: '',
          quantity: '2',
          unitPrice: '41.50',
          discountPercent: '0',
          taxCode: 'standard',
        },
      ],
      ...more,
    },
    who,
  )
/** What the prepared invoice of an order prints of its sender, and with what number it would go. */
async function invoiceOf(sourceId: number) {
  await house.settle()
  // what a branch changed is built anew before it can be issued
  await until('the documents built anew', async () => {
    const { left } = (await one<{ left: number }>(
      'select count(*)::int "left" from prepared_document where stale',
    ))!
    return left === 0
  })
  const [paper] = await papersOf([sourceId])
  const { content } = (await one<{ content: { brand: object; payment: object | null } }>(
    'select content from prepared_document where id = $1',
    [paper!.id],
  ))!
  return { paper: paper!, printed: JSON.stringify(content) }
}
async function issued(sourceId: number): Promise<{ id: number; number: string; printed: string }> {
  // what a branch changed while it was being built is refused once, built anew and then issued
  await until('the invoice issued', async () => {
    const { paper } = await invoiceOf(sourceId)
    const ask = [{ preparedId: paper.id, revision: null }]
    const [result] = await issueInOneTransaction(ask, who, undefined, { postOnly: true })
    expect(result).toMatchObject({ outcome: expect.stringMatching(/^(issued|changed)$/) })
    return result!.outcome === 'issued'
  })
  await house.settle()
  return (await one<{ id: number; number: string; printed: string }>(
    'select id, number, paper::text printed from document where source_id = $1',
    [sourceId],
  ))!
}
let branch = 0

describe('an order that is sold from a branch', () => {
  test('has its address and account on the invoice, and its own numbers', async () => {
    branch = await keepBranch(null, quay(), who)
    await addSeries(
      house.brands[0]!.id,
      'invoice',
      { country: '', currency: '', branch: 'Quay shop' },
      { prefix: 'Q{yy}-', suffix: '', length: 4, start: 1, restart: 'year', businessYearStart: 1 },
    )
    const { id } = await order({ branchId: branch })
    const { number, printed } = await issued(id)
    expect(number).toMatch(/^Q\d\d-0001$/)
    expect(printed).toContain('7 Salt Quay')
    expect(printed).toContain('IE29 AIBK 9311 5212 3456 78')
    const other = await issued((await order()).id)
    expect(other.number).not.toMatch(/^Q/)
    expect(other.printed).not.toContain('Salt Quay')
    expect(other.printed).not.toContain('AIBK')
  })

  test('is credited from there, too', async () => {
    const { id } = (await one<{ id: number }>(`select id from document where number like 'Q%'`))!
    const { credit } = await creditDocument(
      id,
      { ask: { kind: 'whole' }, reason: 'Returned', anew: false },
      who,
    )
    expect((await invoiceOf(credit)).printed).toContain('7 Salt Quay')
  })

  test('is rebuilt when the branch moves, and when the order is sold from the brand itself', async () => {
    const { id } = await order({ branchId: branch })
    expect((await invoiceOf(id)).printed).toContain('7 Salt Quay')
    const kept = (await branches()).find((one) => one.id === branch)
    await keepBranch(branch, quay({ addressLines: ['1 Hill Lane', 'Port Ardal'] }), who, kept!.version)
    const moved = await invoiceOf(id)
    expect(moved.printed).toContain('1 Hill Lane')
    expect(moved.paper.changes).not.toBeNull()
    const { version, lines, reference, customerNote } = await orderView(id)
    await editOrder(id, { version, lines, reference, customerNote, branchId: null }, who)
    expect((await invoiceOf(id)).printed).not.toContain('1 Hill Lane')
    expect(await orderView(id)).toMatchObject({ branchId: null })
  })
})

describe('an invoice without an order', () => {
  const write = async (branchId: number | null) => {
    const id = await newInvoice(house.customers[0]!.id, house.brands[0]!.id, who)
    await change(id, { branchId, lines: [line] })
    return id
  }
  const line = {
    item: '',
    description: 'Repair of an extractor',
    detail: null,
    unit: '',
    quantity: '1',
    unitPrice: '100.00',
    discountPercent: '0',
    taxCode: 'standard',
  }
  async function change(id: number, more: Partial<DraftFacts>): Promise<void> {
    const { version, brandId, customerId, facts } = await draftView(id)
    await changeDraft(
      id,
      { version, brandId, customerId, earlierDateOk: false, facts: { ...facts, ...more } },
      who,
    )
  }

  test('is sold from a branch, has its numbers, and is credited from there', async () => {
    const { number, printed, id } = await issued(await write(branch))
    expect(number).toMatch(/^Q/)
    expect(printed).toContain('1 Hill Lane')
    const { credit } = await creditDocument(
      id,
      { ask: { kind: 'whole' }, reason: 'Returned', anew: false },
      who,
    )
    expect((await invoiceOf(credit)).printed).toContain('1 Hill Lane')
  })

  test('is refused at a branch of another brand, and nothing of it changes', async () => {
    const id = await write(null)
    const other = await keepBranch(null, quay({ brandId: house.brands[1]!.id, name: 'Shop window' }), who)
    expect(await refused(change(id, { branchId: other }))).toBe('no-such-branch branchId')
    expect((await draftView(id)).facts.branchId ?? null).toBeNull()
    expect((await invoiceOf(id)).printed).not.toContain('Hill Lane')
  })
})

describe('an import', () => {
  const file = (place: string) =>
    `order,date,customer,status,branch,description,qty,price,tax\nB-1,2026-11-24,10417,Packed,${place},Repair,1,40,standard\n`
  async function imported(text: string) {
    const id = await takeImport('orders', 'orders.csv', new TextEncoder().encode(text), who)
    const { mapping, decimalSign, dayOrder } = await importView(id)
    await checkImport(id, { mapping, decimalSign, dayOrder })
    await house.settle()
    if ((await importView(id)).counts.right) await writeImport(id)
    await house.settle()
    return (await importRows({ importId: id, limit: 9 })).rows.map(
      (row) => `${row.state}: ${row.note?.words ?? ''}`,
    )
  }

  test('names it; one that is not there is said, and the same again changes nothing', async () => {
    expect(await imported(file('Attic'))).toEqual([
      'wrong: Branch: “Attic” is not one of this brand, or is closed. See Settings, Branches.',
    ])
    expect(await imported(file('quay shop'))).toEqual(['written: New.'])
    expect(await imported(file('Quay shop'))).toEqual(['unchanged: ' + (await unchangedNote())])
    const [{ id }] = (await rows<{ id: number }>(`select id from sales_order where number = 'B-1'`)) as [
      { id: number },
    ]
    expect(await orderView(id)).toMatchObject({ branchId: branch })
    const listed = await listOrders({ statuses: [], sort: 'date', descending: true, limit: 1, search: 'B-1' })
    expect(listed.rows[0]).toMatchObject({ number: 'B-1', branch: 'Quay shop' })
  })
})
const unchangedNote = async () =>
  (await one<{ note: string }>(
    `select note ->> 'words' note from import_row where state = 'unchanged' limit 1`,
  ))!.note

describe('a branch', () => {
  test('that is closed takes no new order; its orders are brought to their end', async () => {
    const { id } = await order({ branchId: branch })
    const kept = (await branches()).find((one) => one.id === branch)
    // closed and nothing else: another address would have to be looked at before it is issued
    const address = ['1 Hill Lane', 'Port Ardal']
    await keepBranch(branch, quay({ addressLines: address, closed: true }), who, kept!.version)
    expect(await refused(order({ branchId: branch }))).toBe('branch-closed branchId')
    expect((await issued(id)).number).toMatch(/^Q/)
    const { version, lines, customerNote } = await orderView(id)
    await editOrder(id, { version, lines, customerNote, reference: 'PO 7', branchId: branch }, who)
  })

  test.each([
    [
      'of another brand',
      () => order({ brandId: house.brands[1]!.id, branchId: branch }),
      'no-such-branch branchId',
    ],
    ['that is not there', () => order({ branchId: 99_999 }), 'no-such-branch branchId'],
    ['with a name that is taken', () => keepBranch(null, quay(), who), 'same-name name'],
    [
      'with an IBAN that cannot be right',
      () =>
        keepBranch(null, quay({ name: 'Hill', banks: [{ ...quay().banks[0]!, iban: 'IE00 AIBK 1' }] }), who),
      'bad-iban banks.0.iban',
    ],
    ['that somebody changed meanwhile', () => keepBranch(branch, quay(), who, 1), 'changed-meanwhile'],
  ])('%s is refused', async (_what, act, expected) => {
    const before = await branches()
    expect(await refused(act())).toBe(expected)
    expect(await branches()).toEqual(before)
  })
})
