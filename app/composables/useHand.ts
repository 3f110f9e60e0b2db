/**
 * The row in hand of a list: the first as long as nothing else is chosen, and again when what was chosen left
 * the list.
 */
export function useHand<Row extends { id: number }>(rows: Ref<Row[]>, first: number | null = null) {
  const active = ref(first)
  watch(rows, (now) => {
    if (!now.some((one) => one.id === active.value)) active.value = now[0]?.id ?? null
  })
  const row = computed(() => rows.value.find((one) => one.id === active.value) ?? null)
  return { active, row }
}
