import { describe, expect, test } from 'vitest'
import { one, rows } from '../../server/db/connection'
import { keepAddresses, type AddressEdit } from '../../server/services/customers/addresses'
import { addressesToLookAt } from '../../server/services/customers/address-quality'
import { addCustomer } from '../../server/services/customers/add-customer'
import { changeContacts, correctContacts } from '../../server/services/customers/contacts'
import { changeCustomer, customerView } from '../../server/services/customers/customers'
import { customerDefaults, dropGroup, keepDefaults, keepGroup } from '../../server/services/customers/groups'
import { listCustomers } from '../../server/services/customers/queries'
import { writeOrder } from '../../server/services/orders/new-order'
import { editOrder } from '../../server/services/orders/orders'
import { orderView } from '../../server/services/orders/list'
import { preparedView } from '../../server/services/line/in-hand'
import { theHouse, inTheNameOf } from '../../server/services/people/principal'
import { useHouse } from './house'

/* What holds for a customer: its own wish, its group's, the house's; its addresses; who is written to. */
const house = useHouse({ trust: 'after a check' })
const who = inTheNameOf('Col Varley')
const refused = (act: Promise<unknown>) =>
  act.then(
    () => 'done',
    (error: { code?: string }) => error.code,
  )
const customer = (change: object = {}) =>
  addCustomer({
    name: 'Larkfield School',
    groupName: 'Academies',
    country: 'IE',
    billing: { lines: ['Hill Street', 'Farrow'], country: 'IE' },
    taxNumber: '',
    salesperson: '',
    contacts: [{ name: 'Office', email: 'office@larkfield.example', role: 'anyone' }],
    ...change,
  })
const group = {
  name: 'Academies',
  language: 'de' as const,
  currency: null,
  terms: { kind: 'days' as const, days: 60 },
  taxTreatment: null,
  pricesIncludeTax: null,
  preferences: {},
}
const line = {
  item: 'HB-10',
  description: 'Hive body',
  detail: null,
  unit: '',
  quantity: '2',
  unitPrice: '50.00',
  discountPercent: '0',
  taxCode: 'standard',
}
const order = (customerId: number, change: object = {}) =>
  writeOrder(
    {
      brandId: house.brands[0]!.id,
      customerId,
      reference: null,
      customerNote: null,
      status: 'Shipped',
      lines: [line],
      ...change,
    },
    who,
  )
/** Whom the invoice of an order is about to go to, and by which way. */
async function invoiceOf(orderId: number) {
  await house.settle()
  const { papers } = await orderView(orderId)
  const view = await preparedView(papers.find((paper) => paper.kind === 'invoice')!.id, who)
  const row = (await one<{ paper: { recipient: { lines: string[] }; paragraphs?: string[] } }>(
    'select content paper from prepared_document where id = $1',
    [view.id],
  ))!
  return {
    id: view.id,
    channel: view.channel,
    to: view.email?.to.map((one) => `${one.as} ${one.address}`) ?? [],
    lines: row.paper.recipient.lines,
    paragraphs: row.paper.paragraphs ?? [],
    changes: view.changes,
  }
}

describe('a group', () => {
  test('gives a new customer what it has, and the company the rest', async () => {
    await keepGroup(null, group)
    const { id } = await customer()
    expect(await customerView(id)).toMatchObject({
      language: 'de',
      currency: 'EUR',
      terms: { kind: 'days', days: 60 },
    })
  })

  test('is there as soon as a customer is in it, and cannot go while one is', async () => {
    await customer({ groupName: 'Nurseries of the South' })
    const { groups } = await customerDefaults()
    const found = groups.find((one) => one.name === 'Nurseries of the South')!
    expect(found.customers).toBe(1)
    expect(await refused(dropGroup(found.id))).toBe('in-use')
  })

  test('renamed keeps its customers; a taken name and a stale version are refused', async () => {
    const { groups } = await customerDefaults()
    const found = groups.find((one) => one.name === 'Academies')!
    expect(await refused(keepGroup(null, group))).toBe('same-name')
    await keepGroup(found.id, { ...group, name: 'Colleges' }, found.version)
    expect(await refused(keepGroup(found.id, group, found.version))).toBe('changed-meanwhile')
    expect((await listCustomers({ group: 'Colleges', limit: 10 })).rows).toHaveLength(1)
  })
})

describe('how documents go', () => {
  test('is the customer’s own wish, over its group’s, over the house’s, part by part', async () => {
    const before = await customerDefaults()
    await keepDefaults(
      { preferences: before.preferences, roles: before.roles },
      {
        preferences: { invoice: { channel: 'both', cc: ['archive@tansyhollow.example'] } },
        roles: before.roles,
      },
    )
    const own = (await customerDefaults()).groups.find((one) => one.name === 'Colleges')!
    const { customers: _, id, version, ...change } = own
    await keepGroup(
      id,
      { ...change, preferences: { invoice: { gathered: true, cc: ['head@colleges.example'] } } },
      version,
    )
    const school = await customer({ groupName: 'Colleges' })
    expect((await customerView(school.id)).wished.invoice).toEqual({
      channel: 'both',
      gathered: true,
      cc: ['archive@tansyhollow.example', 'head@colleges.example'],
    })
    await changeCustomer(school.id, { version: 1, preferences: { invoice: { channel: 'email' } } }, who)
    const view = await customerView(school.id)
    expect(view.wished.invoice).toMatchObject({ channel: 'email', gathered: true })
    expect(view.beneath.group).toEqual({ invoice: { gathered: true, cc: ['head@colleges.example'] } })
    const { id: orderId } = await order(school.id)
    const invoice = await invoiceOf(orderId)
    expect(invoice.channel).toBe('email')
    expect(invoice.to).toEqual([
      'To office@larkfield.example',
      'CC archive@tansyhollow.example',
      'CC head@colleges.example',
    ])
  })

  test('a change of the group has what is prepared built anew', async () => {
    const school = await customer({ groupName: 'Colleges' })
    const { id: orderId } = await order(school.id)
    expect((await invoiceOf(orderId)).channel).toBe('both')
    const own = (await customerDefaults()).groups.find((one) => one.name === 'Colleges')!
    const { customers: _, id, version, ...change } = own
    await keepGroup(id, { ...change, preferences: { invoice: { channel: 'paper' } } }, version)
    expect((await invoiceOf(orderId)).channel).toBe('paper')
  })

  test('an email that has nobody to go to is printed where that is wished, and waits otherwise', async () => {
    const nobody = await customer({ groupName: '', contacts: [] })
    const wish = (unreachable: 'print' | 'wait', version: number) =>
      changeCustomer(nobody.id, { version, preferences: { invoice: { channel: 'email', unreachable } } }, who)
    await wish('print', 1)
    const { id } = await order(nobody.id)
    expect((await invoiceOf(id)).channel).toBe('paper')
    expect(
      (await listCustomers({ trouble: true, search: 'Larkfield', limit: 50 })).rows.map((row) => row.id),
    ).toContain(
      nobody.id, // its confirmations still have nobody to go to
    )
    await wish('wait', 2)
    expect(await invoiceOf(id)).toMatchObject({ channel: 'email', to: [] })
  })

  test('a role of the house’s own can be written to, and cannot go while somebody has it', async () => {
    const { preferences, roles } = await customerDefaults()
    const own = [...roles, 'bursar']
    expect(await refused(customer({ contacts: [{ name: '', email: 'a@b.example', role: 'bursar' }] }))).toBe(
      'unknown-role',
    )
    await keepDefaults({ preferences, roles }, { preferences, roles: own })
    const school = await customer({ groupName: '' })
    await changeContacts(
      school.id,
      1,
      [
        { name: '', email: 'office@larkfield.example', role: 'anyone' },
        { name: 'Bursar', email: 'bursar@larkfield.example', role: 'bursar' },
      ],
      who,
    )
    await changeCustomer(
      school.id,
      { version: 2, preferences: { invoice: { to: 'bursar', channel: 'email' } } },
      who,
    )
    const { id } = await order(school.id)
    expect((await invoiceOf(id)).to[0]).toBe('To bursar@larkfield.example')
    expect(await refused(keepDefaults({ preferences, roles: own }, { preferences, roles }))).toBe('in-use')
    expect(await refused(keepDefaults({ preferences, roles: own }, { preferences, roles: ['bursar'] }))).toBe(
      'in-use',
    )
  })
})

describe('further addresses', () => {
  const annex = (change: object = {}): AddressEdit => ({
    id: null,
    purpose: 'billing',
    label: 'Annex',
    address: { lines: ['Mill Road 4', 'Farrow'], country: 'IE' },
    mail: { to: ['annex@larkfield.example'], cc: ['head@larkfield.example'] },
    ...change,
  })

  test('an order billed to one has its lines and its recipients; the goods go where it says', async () => {
    const school = await customer({ groupName: '' })
    await keepAddresses(school.id, 1, [annex(), annex({ purpose: 'delivery', label: 'Barn', mail: {} })])
    const { addresses } = await customerView(school.id)
    const delivery = { name: 'Larkfield School', lines: ['Barn Lane', 'Farrow'], country: 'IE' }
    const { id } = await order(school.id, { billToId: addresses[0]!.id, delivery })
    const invoice = await invoiceOf(id)
    expect(invoice.lines).toEqual(['Larkfield School', 'Mill Road 4', 'Farrow'])
    expect(invoice.to).toEqual(
      expect.arrayContaining(['To annex@larkfield.example', 'CC head@larkfield.example']),
    )
    expect(invoice.paragraphs).toEqual(['Delivery to: Larkfield School, Barn Lane, Farrow'])
    const plain = await invoiceOf((await order(school.id)).id)
    expect(plain.lines).toContain('Hill Street')
    expect(plain.to).not.toContain('To annex@larkfield.example')
    // a delivery address is none to bill, and another customer's neither
    expect(await refused(order(school.id, { billToId: addresses[1]!.id }))).toBe('no-such-address')
    expect(await refused(order(house.customers[0]!.id, { billToId: addresses[0]!.id }))).toBe(
      'no-such-address',
    )
    const { version } = await customerView(school.id)
    expect(await refused(keepAddresses(school.id, version, []))).toBe('in-use')
    expect(await refused(keepAddresses(school.id, version, [annex(), annex()]))).toBe('same-label')
  })

  test('a corrected address is corrected wherever it is named', async () => {
    await correctContacts('annex@larkfield.example', 'bureau@larkfield.example', who)
    const named = await rows<{ mail: object }>(
      `select mail from customer_address where mail::text like '%bureau@larkfield.example%'`,
    )
    expect(named).toHaveLength(1)
  })

  test('also in the copies of a group, whose prepared documents are built anew', async () => {
    const school = await customer({ groupName: 'Colleges' })
    await changeCustomer(school.id, { version: 1, preferences: { invoice: { channel: 'email' } } }, who)
    const own = (await customerDefaults()).groups.find((one) => one.name === 'Colleges')!
    const { customers: _, id, version, ...change } = own
    await keepGroup(id, { ...change, preferences: { invoice: { cc: ['dean@colleges.example'] } } }, version)
    const { id: orderId } = await order(school.id)
    expect((await invoiceOf(orderId)).to).toContain('CC dean@colleges.example')
    await correctContacts('dean@colleges.example', 'bursary@colleges.example', who)
    expect((await invoiceOf(orderId)).to).toContain('CC bursary@colleges.example')
  })
})

describe('an order', () => {
  test('changed in its internal note alone does not change what its documents are made of', async () => {
    const { id } = await order(house.customers[0]!.id, { internalNote: 'Ring before' })
    const before = await invoiceOf(id)
    const { version, lines, reference, customerNote } = await orderView(id)
    await editOrder(id, { version, lines, reference, customerNote, internalNote: 'Ring twice' }, who)
    expect(await orderView(id)).toMatchObject({ internalNote: 'Ring twice' })
    expect((await invoiceOf(id)).changes).toEqual(before.changes)
    expect(JSON.stringify(before)).not.toContain('Ring')
  })

  test('with a charge and a discount comes to what its lines, they and the VAT make', async () => {
    const { id } = await order(house.customers[0]!.id, {
      adjustments: [
        { kind: 'discount', label: 'Season', percent: '10' },
        { kind: 'charge', label: 'Carriage', amount: '5.00' },
      ],
    })
    // 100.00 − 10.00 + 5.00 = 95.00, and 23 %
    expect((await orderView(id)).total).toBe('116.85')
  })
})

describe('addresses to check', () => {
  test('are those that are missing, malformed, our own, or of several customers', async () => {
    await customer({ name: 'Nobody at all', contacts: [], groupName: '' })
    const shared = [{ name: '', email: 'shared@larkfield.example', role: 'anyone' }]
    await customer({ contacts: shared, groupName: '' })
    await customer({ contacts: shared, groupName: '' })
    const own = (await one<{ email: string }>('select email from staff order by id limit 1'))!
    const ours = await customer({ contacts: [{ name: '', email: own.email, role: 'anyone' }], groupName: '' })
    const odd = await customer({ groupName: '' })
    await one(`update contact set email = 'office at larkfield' where customer_id = $1 returning id`, [
      odd.id,
    ])
    const found = await addressesToLookAt(theHouse)
    const of = (problem: string) => found.filter((one) => one.problem === problem)
    expect(of('missing').flatMap((one) => one.customers.map(({ name }) => name))).toContain('Nobody at all')
    expect(of('malformed').map((one) => one.address)).toContain('office at larkfield')
    expect(of('shared').find((one) => one.address === 'shared@larkfield.example')?.customers).toHaveLength(2)
    expect(of('our own').flatMap((one) => one.customers.map(({ id }) => id))).toContain(ours.id)
  })
})
