import type { HouseService } from '../../../core/shipping/carriers'
import { one, rows, run } from '../../db/connection'
import type { CarrierView } from './carriers'

/* The statements of carriers.ts. */

export const carrierViews = () =>
  rows<CarrierView>(
    `select id, name, kind, address, inside, mapping, services, services_at "servicesAt",
      sealed_key <> '' "hasKey", down_since "downSince", version
    from carrier
    order by id`,
  )

/** All services there are, each with its carrier. */
export const houseServices = () =>
  rows<HouseService>(
    `select c.id "carrierId", c.name carrier, s.code, s.name, s.countries, s."mostWeight", s."mostLength",
      s."mostGirth", s.prices, s.currency, coalesce(s."isReturn", false) "isReturn"
    from carrier c
    cross join jsonb_to_recordset(c.services) as s (
      code text, name text, countries jsonb, "mostWeight" text, "mostLength" int, "mostGirth" int, prices jsonb,
      currency text, "isReturn" boolean
    )
    order by c.id, s.name`,
  )

export const isCarrierUsed = (carrierId: number) =>
  one<{ count: number }>('select count(*)::int count from label where carrier_id = $carrierId', { carrierId })

/** It does not answer, from now on or as long as before. @returns those that did until now */
export const markDown = (carrierId: number, now: Date) =>
  rows<{ id: number }>(
    `update carrier
    set down_since = $now
    where id = $carrierId and down_since is null
    returning id`,
    { carrierId, now },
  )

export const markUp = (carrierId: number) =>
  run(
    `update carrier
    set down_since = null, down_noticed = false
    where id = $carrierId and down_since is not null`,
    { carrierId },
  )
