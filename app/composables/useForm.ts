import { useUnsaved } from './useUnsaved'

/** How a form reads, to compare: what was left empty is as good as not there. */
const print = (form: unknown) =>
  JSON.stringify(form, (_, value: unknown) => (value === '' ? undefined : value))

/**
 * A form over what is saved. What somebody is writing stays when the saved changes meanwhile, with `base`,
 * the state it began from: saving it then says that it was changed.
 *
 * `save` runs what writes the form. From its success on the form is not unsaved any more, unless somebody typed
 * on; what is saved is taken over as soon as it has come back, whoever loads it.
 */
export function useForm<Saved, Form extends object>(
  saved: () => Saved,
  formOf: (saved: Saved) => Form,
  what: string,
) {
  const form = ref(formOf(saved())) as Ref<Form>
  const base = shallowRef(saved())
  /** What was written and has not come back yet. */
  const sent = ref<string>()
  let besideIsOut = false
  const looksLike = (one: Saved) => print(form.value) === print(formOf(one))
  const dirty = computed(() => print(form.value) !== sent.value && !looksLike(saved()))

  function take(): void {
    form.value = formOf(saved())
    base.value = saved()
    sent.value = undefined
  }

  watch(saved, (now, before) => {
    if (looksLike(now)) base.value = now
    else if (looksLike(before) || print(form.value) === sent.value) take()
    else if (sent.value !== undefined || besideIsOut) base.value = now // our own: typed on meanwhile, or beside
    sent.value = undefined
    besideIsOut = false
  })

  const whileSaving = useUnsaved(dirty, what)
  async function save<Result>(write: () => Promise<Result>): Promise<Result> {
    const written = print(form.value)
    return whileSaving(async () => {
      const result = await write()
      if (written !== print(formOf(saved()))) sent.value = written
      return result
    })
  }

  /** Runs what changes the same record beside the form, like a picture that is taken at once: no one else did. */
  async function beside<Result>(write: () => Promise<Result>): Promise<Result> {
    const result = await whileSaving(write)
    besideIsOut = true
    return result
  }

  return { form, base, dirty, save, beside, take }
}
