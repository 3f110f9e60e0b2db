import { t } from '../words'
import { ApiRefusal } from './api'

/** A field that somebody else changed while a form was open. */
export interface ChangedField {
  label: string
  theirs: string
  mine: string
}

/** A value of a form as a person reads it: lists and tables line by line. */
export function inWords(value: unknown): string {
  if (typeof value === 'boolean') return value ? t('common.yes') : t('common.no')
  if (typeof value !== 'object' || value === null) return String(value ?? '')
  return Object.values(value)
    .map((one) =>
      typeof one === 'object' && one !== null ? Object.values(one).filter(Boolean).join(', ') : one,
    )
    .filter((one) => one !== '' && one !== null)
    .join('\n')
}

/**
 * For a form whose record somebody else changed meanwhile: what they changed beside what is written here, and the
 * choice between the two. `read` fetches what is saved now; `labels` names
 * every field of the form. Where they changed nothing that stands in the form, it is saved over their version.
 */
export function useMeanwhile<Form extends object, Saved extends { version: number }>(of: {
  form: Form
  opened: Saved
  formOf: (saved: Saved) => Form
  read: () => Promise<Saved>
  labels: Record<keyof Form, string>
  words?: (value: unknown, field: keyof Form) => string
}) {
  const base = shallowRef(of.opened)
  const changed = shallowRef<ChangedField[]>([])
  let latest: Saved | undefined
  const print = of.words ?? inWords
  const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b)

  /** Whether the error is that somebody changed it; then both versions are laid side by side. */
  async function met(error: unknown): Promise<boolean> {
    if (!(error instanceof ApiRefusal) || error.code !== 'changed-meanwhile') return false
    latest = await of.read()
    const [before, now] = [of.formOf(base.value), of.formOf(latest)]
    changed.value = (Object.keys(of.labels) as (keyof Form)[])
      .filter((field) => !same(before[field], now[field]))
      .map((field) => ({
        label: of.labels[field],
        theirs: print(now[field], field),
        mine: print(of.form[field], field),
      }))
    return true
  }

  /** Runs what saves the form; that somebody else did meanwhile is laid out instead of refused. */
  async function saving(write: () => Promise<unknown>): Promise<void> {
    try {
      await write()
    } catch (error) {
      if (!(await met(error))) throw error
      if (changed.value.length > 0) return
      keepMine()
      await write()
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
