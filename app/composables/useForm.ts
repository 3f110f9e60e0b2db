import { useUnsaved } from './useUnsaved'
/**
 * A form over what is saved. What somebody is writing stays when the saved changes meanwhile, with `base`,
 * the state it began from:
 * saving it then says that it was changed. After a save `kept()` takes over what comes back.
 */
export function useForm<Saved, Form extends object>(
  saved: () => Saved,
  formOf: (saved: Saved) => Form,
  what: string,
) {
  const form = ref(formOf(saved())) as Ref<Form>
  const base = shallowRef(saved())
  const looksLike = (one: Saved) => JSON.stringify(form.value) === JSON.stringify(formOf(one))
  const dirty = computed(() => !looksLike(saved()))
  let sent: string | undefined

  function take(): void {
    form.value = formOf(saved())
    base.value = saved()
  }

  watch(saved, (now, before) => {
    if (looksLike(before) || looksLike(now) || JSON.stringify(form.value) === sent) take()
    else if (sent !== undefined) base.value = now // typed on while it was being saved
    sent = undefined
  })

  function kept(): void {
    sent = JSON.stringify(form.value)
  }

  useUnsaved(dirty, what)
  return { form, base, dirty, kept, take }
}
