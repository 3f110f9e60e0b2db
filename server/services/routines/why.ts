import { goesWithGoods, type DocumentKind } from '../../../core/documents/kinds'
import { judge, occasionOf, type ConditionSeen } from '../../../core/routines/routine'
import { toldSentence, type Trust } from '../../../core/routines/sentence'
import { Refusal } from '../../../core/errors'
import { toldPreference, type Preference, type Recipient } from '../../../core/preferences/recipients'
import { joined, told, toldAs, toldKind, type Told } from '../../../core/said/told'
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
  sentence: Told
  isOn: boolean
  trust: Trust
  appliesSince: Date | null
  /** When the order reached one of its statuses; null when it never did. */
  reachedAt: Date | null
  applies: boolean
  seen: ConditionSeen[]
  /** What came of it. */
  conclusion: Told
  preference: Told | null
  recipients: Recipient[]
  evaluations: { outcome: string; reason: Told | null; at: Date; version: number }[]
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
      (one) =>
        one.kind === sentence.issue &&
        one.occasion ===
          occasionOf(sentence.issue, { revision: order.revision, status: reached?.facts.to ?? order.status }),
    )
    const preference = order.preferences[sentence.issue]
    const own = evaluations
      .filter((one) => one.routineId === routine.id)
      .map(({ outcome, reason, at, version }) => ({ outcome, reason, at, version }))
    return {
      id: routine.id,
      name: routine.name,
      kind: sentence.issue,
      sentence: toldSentence(sentence),
      isOn: routine.isOn,
      trust: routine.trust,
      appliesSince: routine.appliesSince,
      reachedAt: reached?.at ?? null,
      applies: verdict.applies,
      seen: verdict.seen,
      evaluations: own.slice(0, 5),
      preference: wishOf(order.customerName, preference),
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
        looked: own[0]?.reason ?? (own[0] && toldAs(`outcome/${own[0].outcome}`, {})),
        noAddress: !order.billing,
      }),
    }
  })
}

function wishOf(customer: string, preference: Preference | undefined): Told | null {
  const how = toldPreference(preference)
  return how && told('customer/wishes-it', { customer, how })
}

interface Deciding {
  reached: Date | undefined
  applies: boolean
  claim: { number: string | null } | undefined
  lies: string | undefined
  looked: Told | undefined
  noAddress: boolean
}

/** The one reason that decided, the strongest first. */
function conclusion(routine: RoutineRow, found: Deciding): Told {
  const { issue, statuses } = routine.sentence
  const kind = toldKind(issue)
  const number = found.claim?.number
  if (number) return told('why/issued', { number, kind })
  if (found.claim) return told('why/prepared', { kind })
  if (found.lies === 'due') return told('why/due', { kind })
  if (found.lies === 'put back') return told('why/returned', { kind })
  if (found.lies === 'dropped') return told('why/dropped', { kind })
  if (!found.reached) return told('why/never', { statuses: joined(statuses, 'list/or') })
  if (!found.applies) return told('why/condition')
  if (!routine.isOn) return told('why/off')
  if (routine.appliesSince && routine.appliesSince > found.reached) return told('why/before')
  if (found.noAddress && !goesWithGoods(issue)) return told('why/no-address')
  return found.looked ? told('why/looked', { outcome: found.looked }) : told('why/looking')
}
