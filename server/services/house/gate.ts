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
