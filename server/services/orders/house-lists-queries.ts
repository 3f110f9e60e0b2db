import { one } from '../../db/connection'

/* The statements of house-lists.ts. */

export const usesOfStatus = (status: string) =>
  one<{ orders: number; routine: string | null; stops: boolean }>(
    `select (select count(*)::int from sales_order where status = $status) orders,
      (select name from routine where sentence -> 'statuses' ? $status order by id limit 1) routine,
      (select held_statuses ? $status or withdrawn_statuses ? $status from company) stops`,
    { status },
  )
