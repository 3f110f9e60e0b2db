import { one } from '../../db/connection'
import type { CodePurpose } from './one-time-codes'

/* The statements of one-time-codes.ts. */

/** Marks a code as used; of two that try at once one wins. */
export const useCode = (purpose: CodePurpose, hash: string, now: Date) =>
  one<{ staffId: number | null }>(
    `update one_time_code set used_at = $now
    where purpose = $purpose and hash = $hash and used_at is null and ends_at > $now
    returning staff_id "staffId"`,
    { purpose, hash, now },
  )
