import { noSecondLook } from '../core/documents/second-look'
import { one, rows } from '../server/db/connection'
import { askSecond } from '../server/services/documents/second-look'
import { changeSettings } from '../server/services/orders/settings'
import { inTheNameOf } from '../server/services/people/principal'

/** What is dear is sent by a second person: one is asked for, and another waits for somebody to ask. */
export async function dearDocuments(): Promise<void> {
  const dear = await rows<{ id: number; revision: number; total: string }>(
    `select p.id, p.revision, p.total::text total
    from prepared_document p
    where p.state = 'prepared' and p.problem is null and p.currency = 'EUR' and p.send_to like '%@%'
    order by p.total desc
    limit 3`,
  )
  const [first, , third] = dear
  if (!first || !third) return
  await changeSettings({ secondLook: { ...noSecondLook, above: third.total } })
  const asks = await one<{ id: number; name: string }>(
    `select id, name from staff where role = 'clerk' order by id limit 1`,
  )
  await askSecond([first], { ...inTheNameOf(asks!.name), id: asks!.id })
}
