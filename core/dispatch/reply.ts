import type { StuckCause } from './states'

/** A mail server's answer: RFC 5321 reply code and, where given, the RFC 3463 enhanced status code. */
export interface Reply {
  code: number
  enhanced: string | null
  text: string
}

/** Reads "550 5.1.1 No such user". Several lines are joined. */
export function parseReply(text: string): Reply {
  const first = /^(\d{3})[ -]?(?:(\d\.\d{1,3}\.\d{1,3})\s)?/.exec(text.trim())
  return {
    code: first ? Number(first[1]) : 0,
    enhanced: first?.[2] ?? /\b([245]\.\d{1,3}\.\d{1,3})\b/.exec(text)?.[1] ?? null,
    text: text.trim().replace(/\r?\n\d{3}[ -]?/g, ' '),
  }
}

/** 4xx: try again later. 5xx: never. Without a code (the connection broke) trying again is right. */
export function isTemporary(reply: Reply): boolean {
  return reply.code < 500
}

/** Why a permanent refusal or a bounce is stuck. x.2.2 is "mailbox full" (RFC 3463 section 3.3). */
export function causeOf(reply: Reply, bounced: boolean): StuckCause {
  if (reply.enhanced?.endsWith('.2.2') || reply.code === 552) return 'mailbox full'
  return bounced ? 'bounced' : 'refused'
}
