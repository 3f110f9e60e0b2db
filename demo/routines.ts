import { Company } from '../server/db/models'
import { addRoutine } from '../server/services/routines/routines'
import { inTheNameOf } from '../server/services/people/principal'

/** The routines of the demo house. @returns the one that writes invoices */
export async function addRoutines(): Promise<number> {
  const supervisor = inTheNameOf('Maeve Tarrant')
  const invoices = await addRoutine(
    {
      name: 'Invoice when shipped',
      description: 'Every order that leaves the house gets its invoice.',
      trust: 'automatic',
      isOn: true,
      sentence: { statuses: ['Shipped'], conditions: [], issue: 'invoice', to: 'billing', delayMinutes: 0 },
    },
    supervisor,
  )
  await addRoutine(
    {
      name: 'Order confirmation when confirmed',
      description: 'The buyer sees what we understood before we pack.',
      trust: 'automatic',
      isOn: true,
      sentence: {
        statuses: ['Confirmed'],
        conditions: [],
        issue: 'order confirmation',
        to: 'buying',
        delayMinutes: 0,
      },
    },
    supervisor,
  )
  await addRoutine(
    {
      name: 'Confirmation for schools abroad',
      description: 'With a copy to the shipping desk, for the customs papers.',
      trust: 'after a check',
      isOn: false,
      sentence: {
        statuses: ['Confirmed'],
        conditions: [
          { about: 'country', is: 'not', values: ['IE'] },
          { about: 'group', is: 'one of', values: ['Schools'] },
        ],
        issue: 'order confirmation',
        to: 'buying',
        copyTo: ['shipping@tansyhollow.example'],
        delayMinutes: 20,
        hours: { from: '08:00', to: '17:00', workdays: true },
      },
    },
    supervisor,
  )

  await addRoutine(
    {
      name: 'Receipt for shop payments',
      description: 'Who buys in the shop gets a receipt at once.',
      trust: 'automatic',
      isOn: true,
      sentence: {
        on: 'payment',
        statuses: [],
        conditions: [{ about: 'brand', is: 'one of', values: ['LS'] }],
        issue: 'payment receipt',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    supervisor,
  )
  await addRoutine(
    {
      name: 'Credit notes when posted',
      description: 'Whatever way a credit note was issued, it goes at once.',
      trust: 'automatic',
      isOn: false,
      sentence: {
        on: 'posted',
        statuses: [],
        conditions: [],
        issue: 'credit note',
        to: 'billing',
        delayMinutes: 0,
      },
    },
    supervisor,
  )
  await addRoutine(
    {
      name: 'Tell schools that an order is packed',
      description: 'A word by email, with no document, so that somebody is there when it comes.',
      trust: 'automatic',
      isOn: false,
      sentence: {
        statuses: ['Packed'],
        conditions: [{ about: 'group', is: 'one of', values: ['Schools'] }],
        issue: 'order update',
        to: 'goods-in',
        delayMinutes: 0,
      },
    },
    supervisor,
  )
  const packed = {
    en: 'packed and ready to go',
    de: 'gepackt und versandbereit',
    fr: 'emballée et prête à partir',
  }
  await Company.update({ statusWords: { Packed: packed } }, { where: {} })
  return invoices
}
