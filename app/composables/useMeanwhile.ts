import { ApiRefusal } from './api'

/** A field that somebody else changed while a form was open. */
export interface ChangedField {
  label: string
  theirs: string
  mine: string
}

/**
 * For a form whose record somebody else changed meanwhile: what they changed beside what is written here, and the
 * choice between the two. `read` fetches what is saved now; `labels` names the fields that a person knows.
 */
export function useMeanwhile<Form extends object, Saved extends { version: number }>(of: {
  form: Form
  opened: Saved
  formOf: (saved: Saved) => Form
  read: () => Promise<Saved>
  labels: Partial<Record<keyof Form, string>>
  words?: (value: unknown) => string
}) {
  const base = shallowRef(of.opened)
  const changed = shallowRef<ChangedField[]>([])
  let latest: Saved | undefined
  const print = of.words ?? ((value: unknown) => (typeof value === 'string' ? value : JSON.stringify(value)))
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

  /** Whether the error is that somebody changed it; then both versions are laid side by side. */
  async function met(error: unknown): Promise<boolean> {
    if (!(error instanceof ApiRefusal) || error.code !== 'changed-meanwhile') return false
    latest = await of.read()
    const [before, now] = [of.formOf(base.value), of.formOf(latest)]
    changed.value = (Object.keys(of.labels) as (keyof Form)[])
      .filter((field) => !same(before[field], now[field]))
      .map((field) => ({
        label: of.labels[field]!,
        theirs: print(now[field]),
        mine: print(of.form[field]),
      }))
    return true
  }

  /** Runs what saves the form; that somebody else did meanwhile is laid out instead of refused. */
  async function saving(write: () => Promise<unknown>): Promise<void> {
    try {
      await write()
    } catch (error) {
      if (!(await met(error))) throw error
    }
  }

  /** What they wrote is taken into the form; what only I changed stays. */
  function takeTheirs(): void {
    const [before, now] = [of.formOf(base.value), of.formOf(latest!)]
    for (const field of Object.keys(now) as (keyof Form)[])
      if (!same(before[field], now[field])) of.form[field] = now[field]
    keepMine()
  }

  /** The form stays as it is; saving it writes over theirs. */
  function keepMine(): void {
    base.value = latest!
    changed.value = []
  }

  return { base, changed, saving, takeTheirs, keepMine }
}
