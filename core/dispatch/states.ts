import { lifecycle } from '../lifecycle'

/**
 * The states of a dispatch. The stages Waiting, On the way, Arrived and Stuck of the Line are groups of these.
 * This table is the only place that says what may follow what.
 */
export const dispatchStates = [
  'waiting',
  'claimed',
  'handing over',
  'on the way',
  'arrived',
  'stuck',
  'closed',
] as const
export type DispatchState = (typeof dispatchStates)[number]

export type Stage = 'to send' | 'to check' | 'waiting' | 'on the way' | 'arrived' | 'stuck'
export const stages: readonly Stage[] = ['to send', 'to check', 'waiting', 'on the way', 'arrived', 'stuck']

/** What a list of dispatches can be narrowed to; `waiting` has those that are just being handed over. */
export const dispatchStages = ['waiting', 'on the way', 'arrived', 'stuck', 'closed'] as const

/** What happens to a dispatch. */
export type DispatchEvent =
  | 'claim' /* one worker took it */
  | 'lapse' /* its worker died before anything could have left */
  | 'hand over' /* recipients accepted, content goes next */
  | 'accept' /* the mail server said 250 */
  | 'defer' /* temporary refusal: tried again later */
  | 'refuse' /* permanent refusal, no address, size … */
  | 'lose' /* its worker died while handing over: unclear */
  | 'print' /* a person posted it on paper */
  | 'deliver' /* delivery report, or presumed after the limit */
  | 'bounce' /* failure report, also long after */
  | 'send again' /* a person mended the cause */
  | 'print instead' /* a person sends a stuck email to the print queue */
  | 'confirm' /* a person says an unclear one arrived */
  | 'close' /* a person gives up, with a reason */

export const dispatchLifecycle = lifecycle<DispatchState, DispatchEvent>({
  waiting: { claim: 'claimed', refuse: 'stuck', print: 'arrived', close: 'closed' },
  claimed: { 'hand over': 'handing over', lapse: 'waiting', defer: 'waiting', refuse: 'stuck' },
  'handing over': { accept: 'on the way', defer: 'waiting', refuse: 'stuck', lose: 'stuck' },
  'on the way': { deliver: 'arrived', bounce: 'stuck' },
  arrived: { bounce: 'stuck' },
  stuck: {
    'send again': 'waiting',
    'print instead': 'waiting',
    confirm: 'arrived',
    print: 'arrived',
    close: 'closed',
    deliver: 'arrived',
  },
  closed: {},
})

export const stageOfState: Readonly<Record<DispatchState, Stage | null>> = {
  waiting: 'waiting',
  claimed: 'waiting',
  'handing over': 'waiting',
  'on the way': 'on the way',
  arrived: 'arrived',
  stuck: 'stuck',
  closed: null,
}

export type StuckCause =
  | 'no address'
  | 'no email wanted'
  | 'refused'
  | 'bounced'
  | 'mailbox full'
  | 'left'
  | 'unwanted'
  | 'unclear'
  | 'given up'
  | 'not drawn'
  | 'not written'
  | 'too large'

/** Pauses between tries after a temporary refusal, in seconds: growing, then given up. */
export const retryPauses: readonly number[] = [5, 15, 45, 120, 300, 900, 1800, 3600, 7200, 14400]

/** Seconds until the next try after `attempts` tries; undefined when it is time to give up. */
export function pauseAfter(attempts: number): number | undefined {
  return retryPauses[attempts - 1]
}
