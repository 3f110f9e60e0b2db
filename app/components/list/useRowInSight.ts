/** Pixels; the same in the style of RowList. */
export const rowHeight = 38

/** Keeps the row in hand in sight: when it is gone to, and when rows come in above it. */
export function useRowInSight<Entry>(of: {
  entries: Ref<Entry[]>
  /** Where a row stands among the entries, headings counted; -1 where it is not. */
  indexOf: (entries: readonly Entry[], id: number | null) => number
  active: () => number | null
  scroller: () => HTMLElement | null | undefined
}) {
  let shown: number | null = null

  /**
   * Brings a row into sight; a list that is only just being laid out is not as long as it will be, so that it
   * is looked at again in the next frames.
   */
  function show(id: number, tries = 8): void {
    shown = id
    const element = of.scroller()
    const index = of.indexOf(of.entries.value, id)
    if (!element || index < 0) return
    const top = index * rowHeight
    if (top < element.scrollTop + rowHeight) element.scrollTop = Math.max(0, top - rowHeight)
    else if (top + rowHeight > element.scrollTop + element.clientHeight)
      element.scrollTop = top + rowHeight - element.clientHeight
    const reached =
      top >= element.scrollTop && top + rowHeight <= element.scrollTop + element.clientHeight + 1
    if (!reached && tries > 0) requestAnimationFrame(() => shown === id && show(id, tries - 1))
  }

  watch(of.entries, async (_, before) => {
    const element = of.scroller()
    const top = of.indexOf(before, of.active()) * rowHeight
    const wasInSight =
      element &&
      top >= 0 &&
      top + rowHeight > element.scrollTop &&
      top < element.scrollTop + element.clientHeight
    if (!wasInSight) return
    await nextTick()
    const id = of.active()
    if (id !== null) show(id)
  })

  return { show }
}
