import { one, rows } from '../server/db/connection'
import { changeCustomer } from '../server/services/customers/customers'
import { openLink } from '../server/services/links/links'
import { tokenOf } from '../server/services/links/token'
import { changeSettings } from '../server/services/orders/settings'
import { inTheNameOf } from '../server/services/people/principal'
import type { Carriage } from '../core/enclosures/carriage'

/* Customers that get a link instead of an attachment; one is asked for a code. */

/** Before the first email leaves. @param publicAddress what links begin with */
export async function wishForLinks(publicAddress: string): Promise<void> {
  await changeSettings({ publicAddress, tooLarge: 'link', postage: '1.45' })
  await wish('10434', 'link', '')
  await wish('10428', 'both', 'Birke 28')
}

async function wish(number: string, attach: Carriage, linkCode: string): Promise<void> {
  const customer = await one<{ id: number; version: number; preferences: object }>(
    'select id, version, preferences from customer where number = $number',
    { number },
  )
  const { id, version, preferences } = customer!
  await changeCustomer(
    id,
    { version, linkCode, preferences: { ...preferences, invoice: { attach } } },
    inTheNameOf('Maeve Tarrant'),
  )
}

/** Somebody has looked at the newest that asks for no code. */
export async function openNewest(): Promise<void> {
  const [newest] = await rows<{ id: number }>(
    `select l.id
    from signed_link l
    join dispatch m on m.id = l.dispatch_id
    join customer c on c.id = m.customer_id
    where c.link_code = ''
    order by l.id desc
    limit 1`,
  )
  if (newest) await openLink(tokenOf(newest.id), '')
}
