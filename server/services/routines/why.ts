import { goesWithGoods, type DocumentKind } from '../../../core/documents/kinds'
import { judge, occasionOf, type ConditionSeen } from '../../../core/routines/routine'
import { sentenceWords, type Trust } from '../../../core/routines/sentence'
import { Refusal } from '../../../core/errors'
import { preferenceWords, type Recipient } from '../../../core/preferences/recipients'
import { deliveryOf } from '../../../core/dispatch/delivery'
import {
  whyOrder,
  routinesOfOrders,
  statusEvents,
  evaluationsOf,
  claimsOf,
  preparedStates,
  type RoutineRow,
} from './why-queries'

/*
 * Why an order's papers were made or not: every routine with each condition's answer and the value seen,
 * every switch and preference that decided.
 * Called from an order. Reads only.
 */

export interface RoutineWhy {
  id: number
  name: string
  kind: DocumentKind
  words: string
  isOn: boolean
  trust: Trust
  appliesSince: Date | null
  /** When the order reached one of its statuses; null when it never did. */
  reachedAt: Date | null
  applies: boolean
  seen: ConditionSeen[]
  /** What came of it, in plain words. */
  conclusion: string
  preference: string
  recipients: Recipient[]
  evaluations: { outcome: string; reason: string; at: Date; version: number }[]
}

/** @throws Refusal "no-such-order" */
export async function whyOf(orderId: number): Promise<RoutineWhy[]> {
  const order = await whyOrder(orderId)
  if (!order) throw new Refusal('no-such-order', { status: 404 })
  const routines = await routinesOfOrders()
  const events = await statusEvents(orderId)
  const evaluations = await evaluationsOf(orderId)
  const claims = await claimsOf(orderId)
  const papers = await preparedStates(orderId)
  return routines.map((routine) => {
    const { sentence } = routine
    const reached = events.find(
      (event) => event.facts.to !== undefined && sentence.statuses.includes(event.facts.to),
    )
    const verdict = judge(
      sentence,
      (reached ?? events[0])?.facts ?? {
        order: '',
        from: '',
        to: order.status,
        total: '0',
        currency: '',
        brand: '',
        group: '',
        country: '',
        salesperson: '',
      },
    )
    const claim = claims.find(
      (one) => one.kind === sentence.issue && one.occasion === occasionOf(sentence.issue, order.revision),
    )
    const preference = order.preferences[sentence.issue]
    const own = evaluations
      .filter((one) => one.routineId === routine.id)
      .map(({ outcome, reason, at, version }) => ({ outcome, reason, at, version }))
    return {
      id: routine.id,
      name: routine.name,
      kind: sentence.issue,
      words: sentenceWords(sentence),
      isOn: routine.isOn,
      trust: routine.trust,
      appliesSince: routine.appliesSince,
      reachedAt: reached?.at ?? null,
      applies: verdict.applies,
      seen: verdict.seen,
      evaluations: own.slice(0, 5),
      preference: preference ? `${order.customerName} wishes it ${preferenceWords(preference)}` : '',
      recipients: deliveryOf({
        contacts: order.contacts,
        role: sentence.to,
        preference,
        copyTo: sentence.copyTo,
      }).recipients,
      conclusion: conclusion(routine, {
        reached: reached?.at,
        applies: verdict.applies,
        claim,
        lies: papers.find((one) => one.kind === sentence.issue)?.state,
        looked: own[0]?.reason || own[0]?.outcome,
        noAddress: !order.billing,
      }),
    }
  })
}

interface Deciding {
  reached: Date | undefined
  applies: boolean
  claim: { number: string | null } | undefined
  lies: string | undefined
  looked: string | undefined
  noAddress: boolean
}

/** The one reason that decided, the strongest first. */
function conclusion(routine: RoutineRow, found: Deciding): string {
  const { issue, statuses } = routine.sentence
  if (found.claim?.number) return `${found.claim.number} is issued: no second ${issue} is made.`
  if (found.claim) return `Its ${issue} is prepared and not issued yet.`
  if (found.lies === 'put back' || found.lies === 'due')
    return (
      `Its ${issue} is in To send: ` +
      `${found.lies === 'due' ? 'due, and made when a person asks' : 'it was returned'}.`
    )
  if (found.lies === 'dropped') return `Its ${issue} was taken off To send: it is not wanted.`
  if (!found.reached) return `The order never became ${statuses.join(' or ')}.`
  if (!found.applies) return 'One of its conditions does not hold.'
  if (!routine.isOn) return 'The routine is switched off.'
  if (routine.appliesSince && routine.appliesSince > found.reached)
    return 'The order came there before the routine was switched on. It can catch up.'
  if (found.noAddress && !goesWithGoods(issue)) return 'The customer has no billing address.'
  return found.looked ? `It was looked at: ${found.looked}.` : 'It is being looked at.'
}
