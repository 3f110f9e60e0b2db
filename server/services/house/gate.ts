import { one } from '../../db/connection'

/** What stands before everything that leaves the house. */
export interface Gate {
  paused: boolean
  pausedBy: string | null
  pausedAt: Date | null
  pauseReason: string
  /** A copy or a restored database that nobody has confirmed yet. */
  confirmNeeded: boolean
  /** Since when everything goes to the rehearsal address instead; null when papers go for real. */
  rehearsalSince: Date | null
  rehearsalAddress: string
}

/** Reads the gate; `lock` keeps it as it is until the caller's transaction ends. */
export async function gate(lock = false): Promise<Gate> {
  return (await one<Gate>(`
    select paused_at is not null paused, paused_by "pausedBy", paused_at "pausedAt",
      pause_reason "pauseReason", confirm_needed "confirmNeeded", rehearsal_since "rehearsalSince",
      rehearsal_address "rehearsalAddress"
    from company${lock ? ' for share' : ''}`))!
}
