import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { useToasts } from '../../stores/toasts'
import { attempt } from '../../composables/api'
import { plural, shortTime } from '../../composables/format'
import * as dispatches from '../../calls/dispatches'
import { sendDocument } from '../../calls/documents'
import * as prepared from '../../calls/prepared'
import { countOf } from '../../../core/documents/kinds'
import { groupBy } from '../../../core/group'
import type { LineRow } from '../../contract'

/**
 * What can be done with rows of the Line, each act with its report and, where there is one, its undo.
 * @param done after an act, whether it went well or was refused
 */
export function useLineActs(done: () => void) {
  const toasts = useToasts()
  const busy = ref(false)
  const idsOf = (rows: readonly LineRow[]) => rows.map((row) => row.id)
  async function finish(act: () => Promise<void>) {
    busy.value = true
    await attempt(act)
    busy.value = false
    done()
  }

  const putBack = (rows: readonly LineRow[]) =>
    finish(async () => {
      const { ids } = await prepared.putBack(idsOf(rows))
      toasts.say(t('line.documentsReturnedToToSend', { documents: plural(ids.length, 'document') }), {
        undo: async () => {
          await prepareRows(rows)
        },
      })
    })

  /** Prepares papers kind by kind; answers how many of each, and why others were not made. */
  async function prepareRows(rows: readonly LineRow[]): Promise<string[]> {
    const said: string[] = []
    for (const [kind, own] of groupBy(rows, (row) => row.kind)) {
      const sourceIds = own.map((row) => row.sourceId)
      const result = await prepared.prepareDocuments({ kind, sourceIds })
      if (result.prepared > 0)
        said.push(t('line.countPreparedInToCheck', { count: countOf(result.prepared, kind) }))
      said.push(...[...result.already, ...result.refused].map(saidWords))
    }
    return said
  }

  /** Prepares what is not made yet, and sends what is issued already. */
  const prepare = (rows: readonly LineRow[]) =>
    finish(async () => {
      const papers = rows.filter((row) => row.of === 'paper')
      if (papers.length > 0) toasts.say((await prepareRows(papers)).join(' '))
      for (const document of rows.filter((row) => row.of === 'document'))
        await sendDocument(document.documentId!)
    })

  const drop = (rows: readonly LineRow[]) =>
    finish(async () => {
      const { ids } = await prepared.dropPrepared({ ids: idsOf(rows) })
      toasts.say(t('line.documentsTakenOffToSend', { documents: plural(ids.length, 'document') }), {
        undo: async () => {
          await prepared.dropPrepared({ ids, undo: true })
        },
      })
    })

  const sendAgain = (rows: readonly LineRow[]) =>
    finish(async () => {
      const { ids } = await dispatches.sendAgain({ ids: idsOf(rows) })
      toasts.say(
        t('line.emailsIdsAgain', {
          emails: plural(ids.length, 'email'),
          ids: ids.length === 1 ? t('line.goes') : t('line.go'),
        }),
      )
    })

  const keepBack = (
    act: 'hold' | 'let go' | 'later' | 'print instead',
    rows: readonly LineRow[],
    at?: Date,
  ) =>
    finish(async () => {
      const when = at ? { at: at.toISOString() } : {}
      const { ids } = await dispatches.keepBack({ ids: idsOf(rows), act, ...when })
      const said = {
        hold: t('common.heldWord'),
        'let go': t('common.letGo'),
        later: t('line.toGoAt', { at: at ? shortTime(at) : '' }),
        'print instead': t('line.inThePrintQueue'),
      }[act]
      const undo = act === 'hold' ? 'let go' : act === 'let go' ? 'hold' : undefined
      const takeBack = async () => {
        await dispatches.keepBack({ ids, act: undo! })
      }
      toasts.say(`${plural(ids.length, 'email or print job')} ${said}.`, undo ? { undo: takeBack } : {})
    })

  const settle = (act: 'confirm' | 'print' | 'close', rows: readonly LineRow[], reason = '') =>
    finish(async () => {
      const { ids } = await dispatches.decideDispatches({ ids: idsOf(rows), act, reason })
      const said = {
        confirm: t('line.markedAsArrived'),
        print: t('line.markedAsPosted'),
        close: t('common.givenUp'),
      }[act]
      toasts.say(`${plural(ids.length, 'document')} ${said}.`)
    })

  return { busy, putBack, prepare, drop, sendAgain, keepBack, settle }
}
