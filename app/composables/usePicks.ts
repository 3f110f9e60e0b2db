/** What is picked in a list, by id. Picks of rows that left the list are forgotten. */
export function usePicks<Row extends { id: number }>(rows: Ref<Row[]>) {
  const picked = shallowRef<ReadonlySet<number>>(new Set())
  const set = (ids: Iterable<number>) => {
    picked.value = new Set(ids)
  }

  function toggle(id: number): void {
    const next = new Set(picked.value)
    if (!next.delete(id)) next.add(id)
    picked.value = next
  }

  function toggleAll(ids: number[]): void {
    const all = ids.every((id) => picked.value.has(id))
    const next = new Set(picked.value)
    for (const id of ids)
      if (all) next.delete(id)
      else next.add(id)
    picked.value = next
  }

  watch(rows, (now) => {
    if (picked.value.size === 0) return
    const there = new Set(now.map((row) => row.id))
    const kept = [...picked.value].filter((id) => there.has(id))
    if (kept.length !== picked.value.size) set(kept)
  })
  const chosen = computed(() => rows.value.filter((row) => picked.value.has(row.id)))
  return { picked, set, toggle, toggleAll, chosen, clear: () => set([]) }
}
