import type { HandOver } from './outcome'
import { parseReply } from './reply'

/**
 * Failures that somebody can provoke, to see that each is caught: an email to such an address goes nowhere, and ends as
 * if a mail server had said so. Names under .invalid never exist (RFC 2606, section 2), so that no mail server hears
 * of it.
 */
export const provocations = ['refused', 'full', 'bounced', 'late'] as const
export type Provocation = (typeof provocations)[number]

export const provokedDomain = 'provoked.invalid'

export const provokedAddress = (what: Provocation): string => `${what}@${provokedDomain}`

/** The failure that some of these addresses ask for; undefined where an email goes to real ones alone. */
export const provokedBy = (addresses: readonly string[]): Provocation | undefined =>
  provocations.find((what) => addresses.some((one) => one.toLowerCase() === provokedAddress(what)))

/** What a mail server would have said: RFC 5321 codes with RFC 3463 status codes. */
const replies: Readonly<Record<Provocation, string>> = {
  refused: '550 5.1.1 No such user here (provoked)',
  full: '552 5.2.2 Mailbox full (provoked)',
  bounced: '250 2.0.0 Accepted (provoked)',
  late: '451 4.7.1 Try again later (provoked)',
}

/** How handing over ends: as when a mail server says so. One that bounces is taken first, and comes back later. */
export function provokedResult(what: Provocation, addresses: readonly string[]): HandOver {
  const reply = parseReply(replies[what])
  return what === 'bounced'
    ? { result: 'accepted', reply, refused: [] }
    : { result: 'refused', reply, refused: addresses.map((address) => ({ address, reply })) }
}

/** Seconds until one that bounces comes back. */
export const bouncesAfter = 15

/** The report with which it comes back (RFC 3464). @param recipient its address */
export const provokedReport = (recipient: string): string =>
  [
    'From: Mail server <mailer-daemon@provoked.invalid>',
    'Subject: Undeliverable (provoked)',
    'MIME-Version: 1.0',
    'Content-Type: multipart/report; report-type=delivery-status; boundary="b"',
    '',
    '--b',
    'Content-Type: text/plain',
    '',
    'This failure was provoked.',
    '--b',
    'Content-Type: message/delivery-status',
    '',
    `Reporting-MTA: dns; ${provokedDomain}`,
    '',
    `Final-Recipient: rfc822; ${recipient}`,
    'Action: failed',
    'Status: 5.1.1',
    'Diagnostic-Code: smtp; 550 5.1.1 No such user here (provoked)',
    '',
    '--b--',
    '',
  ].join('\r\n')
