import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { said, saidWords } from '../../words/speech'
import { kindFacts } from '../../../core/documents/kinds'
import { namedOnly } from '../../../core/preferences/recipients'
import {
  canBeAsked,
  eventOf,
  toldEvent,
  isOfGoods,
  kindsOn,
  routineEvents,
  type RoutineEvent,
  type RoutineSentence,
} from '../../../core/routines/sentence'
import type { TimePattern } from '../../../core/routines/time'

/* What of a sentence changes with what it waits for and with what it issues, so that it makes sense again. */

/** Of which of several kinds it issues one is chosen by a word of its own. */
const choosesKind = (on: RoutineEvent) => on === 'order status' || isOfGoods(on)

/** What it can wait for: an order's status, goods, or what is posted or recorded, with the kind it is about. */
export const eventChoices: { value: string; words: string }[] = routineEvents.flatMap((on) =>
  choosesKind(on)
    ? [{ value: on, words: isOfGoods(on) ? said(`event/${on}`) : t('routines.anOrderBecomes') }]
    : kindsOn[on].map((issue) => ({
        value: `${on} ${issue}`,
        words:
          on === 'time'
            ? t('routines.itIsTimeFor', { kinds: kindWords(issue, 'many') })
            : saidWords(toldEvent({ on, issue, statuses: [] })),
      })),
)

/** Which of these choices a sentence has. */
export function choiceOfEvent(sentence: RoutineSentence): string {
  const on = eventOf(sentence)
  return choosesKind(on) ? on : `${on} ${sentence.issue}`
}

/** Statements at the end of a month, reminders on any day that somebody is there. */
export const usualTime: Partial<Record<RoutineSentence['issue'], TimePattern>> = {
  'statement of account': { each: 'last working day', time: '07:00' },
  'payment reminder': { each: 'working day', time: '07:00' },
}

/** The kind that is issued on an event before somebody chooses another. */
function firstKind(on: RoutineEvent, choice: string): RoutineSentence['issue'] {
  if (on === 'order status') return 'invoice'
  return isOfGoods(on) ? kindsOn[on][0]! : (choice.slice(on.length + 1) as RoutineSentence['issue'])
}

/** The sentence as it waits for something else; conditions that cannot be asked of that go. */
export function withEvent(sentence: RoutineSentence, choice: string): RoutineSentence {
  const on =
    routineEvents.find((one) => choice === one) ?? routineEvents.find((one) => choice.startsWith(`${one} `))!
  const issue = firstKind(on, choice)
  // an order's fields are not its customer's
  const others = (on === 'time') !== (eventOf(sentence) === 'time')
  const conditions = sentence.conditions.filter(
    (one) => canBeAsked(one, on) && !(others && one.about === 'field'),
  )
  const { at, period, ...rest } = sentence
  return {
    ...rest,
    on,
    statuses: [],
    issue,
    conditions,
    ...(on === 'order status' ? {} : { to: isOfGoods(on) ? kindFacts[issue].to : 'billing' }),
    ...(on === 'time' ? { at: at ?? usualTime[issue], period: period ?? 'open items' } : {}),
  }
}

/** The sentence as it issues another kind, which goes to whom that kind is for. A label is not rehearsed. */
export function withIssue(sentence: RoutineSentence, issue: RoutineSentence['issue']): RoutineSentence {
  const { service, ...rest } = sentence
  return {
    ...rest,
    issue,
    ...(issue === 'shipping label' ? { service: service ?? '', rehearseTo: '' } : {}),
    ...(sentence.to === namedOnly ? {} : { to: kindFacts[issue].to }),
  }
}
