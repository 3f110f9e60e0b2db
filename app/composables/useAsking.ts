/** Which of a screen's questions is open, and whether one is, as a dialog's model: closing it asks nothing more. */
export function useAsking<Question extends string>() {
  const asking = ref<Question | null>(null)
  const ask = computed({
    get: () => asking.value !== null,
    set: (open) => {
      if (!open) asking.value = null
    },
  })
  return { asking, ask }
}
