import { t } from '../words'
import { filledSentence } from '../../core/routines/sentence'
import { useToasts } from '../stores/toasts'
import { api, attempt } from './api'
import { useForm } from './useForm'
import { useLive } from './useLive'
import type { RoutineChoices, RoutineVersion, RoutineView } from '../contract'

/**
 * The house's routines and the one in hand, with its form and its versions.
 * @param wanted the id of the one in hand, as text; the first where there is none such
 * @param settled called when a change is answered, well or not
 */
export function useRoutine(wanted: () => string, settled: () => void) {
  const toasts = useToasts()
  const routines = shallowRef<RoutineView[]>([])
  const choices = shallowRef<RoutineChoices>()
  const versions = shallowRef<RoutineVersion[]>([])
  const first = ref(true)
  const wrong = ref('')
  const busy = ref(false)
  const routine = computed(
    () => routines.value.find((one) => String(one.id) === wanted()) ?? routines.value[0],
  )
  const formOf = (one: RoutineView | undefined) => ({
    sentence: one && structuredClone(toRaw(one.sentence)),
    name: one?.name ?? '',
    description: one?.description ?? '',
  })
  const { form, base, dirty, save, take } = useForm(() => routine.value, formOf, t('common.theRoutine'))

  async function load() {
    try {
      choices.value ??= await api.get('/api/routines/choices')
      routines.value = await api.get('/api/routines')
      if (routine.value)
        versions.value = await api.get('/api/routines/{id}/versions', { path: { id: routine.value.id } })
      wrong.value = ''
    } catch (error) {
      wrong.value = (error as Error).message
    }
    first.value = false
  }
  useLive(['routine'], () => void load())
  watch(
    () => routine.value?.id,
    () => {
      take()
      void load()
    },
  )

  /** What stands on the screen and is not saved yet: a switch or a trust goes with the sentence that is seen. */
  function edits() {
    const { sentence, name, description } = form.value
    return dirty.value && sentence ? { sentence: filledSentence(sentence), name, description } : {}
  }

  const change = (changed: object, said: string, undo?: object) =>
    attempt(async () => {
      busy.value = true
      const { id } = routine.value!
      const patch = (version: number, body: object) =>
        api.patch('/api/routines/{id}', { path: { id }, body: { version, ...body } })
      try {
        await save(() => patch(base.value!.version, { ...edits(), ...changed }))
        await load()
        const takeBack = async () => {
          await patch(routines.value.find((one) => one.id === id)!.version, undo!)
          await load()
        }
        toasts.say(said, undo ? { undo: takeBack } : {})
      } finally {
        busy.value = false
        settled()
      }
    })

  return { routines, routine, choices, versions, first, wrong, busy, load, change, form, dirty, take }
}
