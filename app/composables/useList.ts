export interface PageOf<Row> {
  rows: Row[]
  after: string | null
  /** How many match, where the server counts them. */
  matching?: number
}

/**
 * A list that the server pages: the first page, more on scrolling, all loaded rows anew after a change,
 * without losing the place.
 * `extra` is what the first page brings beside its rows (sums, groups).
 */
export function useList<Row extends { id: number }, Extra extends PageOf<Row>>(
  fetchPage: (place: { after?: string; limit: number }) => Promise<Extra>,
) {
  const rows = shallowRef<Row[]>([])
  const extra = shallowRef<Extra>()
  const first = ref(true)
  const wrong = ref('')
  let after: string | null = null
  let turn = 0
  let more: Promise<void> | undefined
  const pageSize = 60

  async function reload(): Promise<void> {
    const mine = ++turn
    try {
      const limit = Math.min(200, Math.max(pageSize, rows.value.length))
      const page = await fetchPage({ limit })
      if (mine !== turn) return
      rows.value = page.rows
      extra.value = page
      after = page.after
      wrong.value = ''
    } catch (error) {
      if (mine === turn) wrong.value = (error as Error).message
    } finally {
      if (mine === turn) first.value = false
    }
  }

  /** Begins anew, for another filter: the old rows go only when the new ones are there. */
  async function restart(): Promise<void> {
    rows.value = rows.value.slice(0, pageSize)
    await reload()
  }

  function loadMore(): Promise<void> {
    if (!after) return Promise.resolve()
    more ??= (async () => {
      const mine = turn
      const page = await fetchPage({ after: after!, limit: pageSize })
      if (mine === turn) {
        const known = new Set(rows.value.map((row) => row.id))
        rows.value = [...rows.value, ...page.rows.filter((row) => !known.has(row.id))]
        after = page.after
      }
    })()
      .catch((error: unknown) => {
        wrong.value = (error as Error).message
      })
      .finally(() => {
        more = undefined
      })
    return more
  }
  return { rows, extra, first, wrong, reload, restart, loadMore }
}

/** A list that is never long and comes whole, for what shows paged ones. */
export function wholeList<Row extends { id: number }>(
  rows: Ref<Row[]>,
  first: Ref<boolean>,
  reload: () => Promise<void>,
) {
  return { rows, first, wrong: ref(''), reload, loadMore: () => Promise.resolve() }
}
