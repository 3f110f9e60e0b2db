import { one } from '../../db/connection'

/* The statements of offers.ts. */

/** The same for the same email and address, however often it is tried. */
export const keepOffer = (dispatchId: number, href: string) =>
  one<{ id: number }>(
    `insert into followed_offer (dispatch_id, href)
    values ($dispatchId, $href)
    on conflict (dispatch_id, href) do update set href = excluded.href
    returning id`,
    { dispatchId, href },
  )

export const offerRow = (id: number) =>
  one<{ dispatchId: number; href: string; handedOverAt: Date | null }>(
    `select o.dispatch_id "dispatchId", o.href, m.handed_over_at "handedOverAt"
    from followed_offer o
    join dispatch m on m.id = o.dispatch_id
    where o.id = $id
    for update of o`,
    { id },
  )

export const countFollowed = (given: { id: number; byMachine: boolean; now: Date }) =>
  one<{ followed: number }>(
    `update followed_offer
    set followed = followed + (not $byMachine)::int,
      by_machine = by_machine + $byMachine::int,
      first_followed_at = case when $byMachine then first_followed_at else coalesce(first_followed_at, $now) end,
      last_followed_at = case when $byMachine then last_followed_at else $now end
    where id = $id
    returning followed`,
    given,
  )
