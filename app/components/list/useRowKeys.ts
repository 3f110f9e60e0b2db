interface Listed<Row> {
  rows: Row[]
  active: number | null
  picked: ReadonlySet<number>
  pickable: boolean
}

interface Told {
  (event: 'update:active', id: number | null): void
  (event: 'update:picked', ids: Set<number>): void
  (event: 'open', id: number): void
  (event: 'leaf', step: 1 | -1): void
  (event: 'more'): void
}

/** The keys and clicks of a list: what moves the hand, what picks a row, a range or all. */
export function useRowKeys<Row extends { id: number }>(
  props: Readonly<Listed<Row>>,
  emit: Told,
  seen: { show: (id: number) => void; rowsInSight: () => number },
) {
  /** The row at which a range began: the row, not its place, for rows come and go above it meanwhile. */
  let anchor: number | null = null
  const indexOf = (id: number | null) => props.rows.findIndex((row) => row.id === id)

  /** The place at which the range began; where its row has left the list, the range begins at the row in hand. */
  function anchorIndex(): number {
    if (indexOf(anchor) < 0) anchor = props.active
    return Math.max(0, indexOf(anchor))
  }

  function goTo(index: number, range: boolean): void {
    const bounded = Math.min(props.rows.length - 1, Math.max(0, index))
    const row = props.rows[bounded]
    if (!row) return
    if (range && props.pickable) {
      const began = anchorIndex()
      const [from, to] = [Math.min(began, bounded), Math.max(began, bounded)]
      emit('update:picked', new Set(props.rows.slice(from, to + 1).map((one) => one.id)))
    } else anchor = null
    emit('update:active', row.id)
    seen.show(row.id)
    if (bounded > props.rows.length - 15) emit('more')
  }

  function toggle(id: number): void {
    const next = new Set(props.picked)
    if (!next.delete(id)) next.add(id)
    emit('update:picked', next)
  }

  function leave(): void {
    if (props.picked.size > 0) emit('update:picked', new Set())
    else emit('update:active', null)
  }

  function key(event: KeyboardEvent): void {
    if (event.altKey || event.metaKey || (event.ctrlKey && event.key !== 'a')) return
    const at = indexOf(props.active)
    const range = event.shiftKey
    const acts: Record<string, () => void> = {
      ArrowDown: () => goTo(at + 1, range),
      ArrowUp: () => goTo(at - 1, range),
      PageDown: () => goTo(at + seen.rowsInSight(), range),
      PageUp: () => goTo(at - seen.rowsInSight(), range),
      Home: () => goTo(0, range),
      End: () => goTo(props.rows.length - 1, range),
      ArrowRight: () => emit('leaf', 1),
      ArrowLeft: () => emit('leaf', -1),
      ' ': () => {
        if (props.active !== null && props.pickable) toggle(props.active)
      },
      a: () => {
        if (props.pickable) emit('update:picked', new Set(props.rows.map((row) => row.id)))
      },
      Enter: () => {
        if (props.active !== null) emit('open', props.active)
      },
      Escape: leave,
    }
    const act = acts[event.key]
    if (!act || (event.key === 'a' && !event.ctrlKey)) return
    event.preventDefault()
    act()
  }

  function click(event: MouseEvent, row: Row): void {
    if (event.shiftKey && props.pickable) goTo(indexOf(row.id), true)
    else {
      anchor = null
      emit('update:active', row.id)
    }
  }

  return { key, click, toggle }
}
