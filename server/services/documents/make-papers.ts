import { dayInZone, type Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { Paper } from '../../../core/documents/paper'
import { Refusal } from '../../../core/errors'
import { allOf, toldRefusal, type Told } from '../../../core/said/told'
import { clock } from '../../clock'
import { checkPaper } from '../../render/pool'
import { fillLetter } from '../dispatch/compose'
import { company } from '../house/house'
import { paperOf } from './found-settings'
import { withItemCodes } from './item-codes'
import { withAccounts } from './on-account'
import type { PaperContext, Addressing } from './paper-context'
import { byKind, sourceOf } from './sources'

/** A laid-out draft with its problem, if any. */
export interface MadeDocument {
  context: PaperContext
  paper: Paper | null
  problem: Told | null
  /** What will be drawn otherwise than it was written; it stops nothing. */
  replaced: Told[]
  /** Nothing is wrong with it but that its source is not complete yet. */
  held: boolean
}

/**
 * Builds and lays out documents of many sources; in parallel in the render threads, outside of any transaction. What
 * a draft of a person is of, it says itself, and its kind whom it goes to.
 */
export async function makeAll(
  kind: DocumentKind,
  sourceIds: readonly number[],
  addressing: Addressing,
  occasion = '',
): Promise<Map<number, MadeDocument>> {
  const laidOut = new Map<number, MadeDocument>()
  const today = dayInZone(clock.now(), (await company()).timeZone)
  for (const [of, ids] of await byKind(sourceIds)) {
    const contexts = await withItemCodes(await sourceOf(of).load(kind, ids, addressing, occasion))
    const whole = await withAccounts(contexts, today)
    for (const [id, made] of await layOutAll(whole, today)) laidOut.set(id, made)
  }
  return laidOut
}

async function layOutAll(
  contexts: ReadonlyMap<number, PaperContext>,
  today: Day,
): Promise<Map<number, MadeDocument>> {
  return new Map(
    await Promise.all(
      [...contexts].map(async ([id, context]): Promise<[number, MadeDocument]> => {
        const made = paperOf(context, context.wantedDate ?? today)
        if ('problem' in made)
          return [id, { context, paper: null, problem: made.problem, replaced: [], held: false }]
        const { problems, replaced } = await checkPaper(made.paper, context.design.design)
        const wrong = [...problems.map(({ sentence }) => sentence), ...emailProblems(context, made.paper)]
        return [
          id,
          {
            context,
            paper: made.paper,
            replaced,
            held: context.held !== null && wrong.length === 0,
            problem: allOf([...wrong, ...(context.held ? [context.held] : [])]),
          },
        ]
      }),
    ),
  )
}

/** Why the email that is to carry a document cannot be written; it is found before the document gets a number. */
function emailProblems(context: PaperContext, paper: Paper): Told[] {
  if (context.recipients.length === 0) return []
  try {
    fillLetter({
      ...context.email,
      paper,
      customerName: context.customerName,
      recipients: context.recipients,
    })
    return []
  } catch (error) {
    if (error instanceof Refusal) return [toldRefusal(error)]
    throw error
  }
}
