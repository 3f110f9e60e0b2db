import { one, rows } from '../../db/connection'
import type { StaffView } from './staff'

/* The statements of staff.ts. */

export const staffRows = () =>
  rows<StaffView>(
    `select s.id, s.email, s.name, s.role, s.left_at "leftAt", s.version,
      s.start_page "startPage",
      case
        when s.left_at is not null then 'left'
        when s.password_hash = '' then 'invited'
        else 'works here'
      end state,
      (
        select coalesce(jsonb_agg(b.brand_id order by b.brand_id), '[]') from staff_brand b where b.staff_id = s.id
      ) "brandIds"
    from staff s
    order by s.left_at is not null, lower(s.name), s.id`,
  )

/** Supervisors of all brands besides this one who can sign in. */
export async function supervisorsBeside(id: number): Promise<number> {
  const row = await one<{ count: number }>(
    `select count(*)::int count
    from staff s
    where s.id <> $id and s.role = 'supervisor' and s.left_at is null and s.password_hash <> ''
      and not exists (select from staff_brand b where b.staff_id = s.id)`,
    { id },
  )
  return row!.count
}
