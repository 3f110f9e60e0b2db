/** How soon after it was handed over nobody can have read an email, in milliseconds. */
const tooSoon = 10_000

/** What programs call themselves that look at emails before people do, or for them. */
const machines = /proxy|bot\b|crawler|spider|prefetch|preview|scan|monitor|curl|python|java\/|go-http/i

/**
 * Whether a person or a program fetched the pictures of an email. Mail servers look into emails as they come, and some
 * mail programs fetch every picture ahead, through servers of their own: that says nothing about a reader.
 * @param agent what it calls itself (RFC 9110, 10.1.5)
 */
export function openedBy(opened: {
  agent: string
  at: Date
  handedOverAt: Date | null
}): 'person' | 'machine' {
  const { agent, at, handedOverAt } = opened
  if (!agent.trim() || machines.test(agent)) return 'machine'
  if (!handedOverAt || at.getTime() - handedOverAt.getTime() < tooSoon) return 'machine'
  return 'person'
}
