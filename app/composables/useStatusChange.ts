import { t } from '../words'
import { api, attempt } from './api'
import { agreeing, plural } from './format'
import { useToasts } from '../stores/toasts'
import type { StatusChange } from '../contract'

/** A change of orders' status that waits for a person's word, as the server says what it would do. */
export interface StatusQuestion {
  ids: number[]
  status: string
  change: StatusChange
}

const setStatus = (body: {
  ids: readonly number[]
  status: string
  letGo?: boolean
  onlyTry?: boolean
  undo?: boolean
}) => api.post('/api/orders/status', { body })

/** Sets orders to a status: at once where no document is touched, else after a question with the counts. */
export function useStatusChange(done: () => Promise<unknown>) {
  const question = shallowRef<StatusQuestion>()
  const busy = ref(false)

  async function ask(ids: number[], status: string): Promise<void> {
    busy.value = true
    await attempt(async () => {
      const change = await setStatus({ ids, status, onlyTry: true })
      const { toCheck, emails, prints, gone, labels } = change.effects
      const touches =
        change.turn === 'stops' ? toCheck + emails + prints + gone + labels > 0 : emails + prints > 0
      if (change.turn !== 'nothing' && touches) question.value = { ids, status, change }
      else await write(ids, status, true)
    })
    busy.value = false
  }

  async function answer(letGo: boolean): Promise<void> {
    const asked = question.value!
    busy.value = true
    await attempt(() => write(asked.ids, asked.status, letGo))
    question.value = undefined
    busy.value = false
  }

  async function write(ids: number[], status: string, letGo: boolean): Promise<void> {
    const change = await setStatus({ ids, status, letGo })
    const already = change.unchanged.length
      ? t('common.ordersAlreadyChange', {
          orders: plural(change.unchanged.length, 'order'),
          change: agreeing(change.unchanged.length, 'was'),
        })
      : ''
    useToasts().say(
      t('common.ordersSetToStatusEffectWords', {
        orders: plural(change.changed.length, 'order'),
        status,
        effectWords: effectWords(change, letGo),
        already,
      }),
      change.changed.length ? { undo: () => undo(change.before) } : {},
    )
    await done()
  }

  /** Sets back what was set. What a routine prepared meanwhile stays, and its history says so. */
  async function undo(before: { id: number; status: string }[]): Promise<void> {
    for (const status of new Set(before.map((one) => one.status)))
      await setStatus({
        ids: before.filter((one) => one.status === status).map((one) => one.id),
        status,
        undo: true,
      })
    await done()
  }

  return { question, busy, ask, answer }
}

/** What was written of documents, for the message afterwards. */
function effectWords({ turn, effects }: StatusChange, letGo: boolean): string {
  const mails = effects.emails + effects.prints
  if (turn === 'nothing' || mails === 0) return ''
  const what = plural(mails, 'email or print job')
  if (turn === 'stops') return t('common.whatTakenOutOfWaiting', { what })
  return letGo
    ? t('common.whatLetGoAgain', { what })
    : t('common.whatStayMailsHeld', { what, mails: mails === 1 ? 's' : '' })
}
