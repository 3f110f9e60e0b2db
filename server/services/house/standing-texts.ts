import type { Day } from '../../../core/documents/days'
import type { DocumentKind } from '../../../core/documents/kinds'
import type { StandingTextFacts, TextAudience, TextPlace } from '../../../core/documents/standing-texts'
import type { Language } from '../../../core/money/format'
import { badInput, Refusal } from '../../../core/errors'
import { inTransaction } from '../../db/connection'
import { Brand, StandingText } from '../../db/models'
import { publish } from '../live/publish'
import { markAllStale } from '../outbox/stale'

/*
 * Texts of the house that stand on documents: terms, a footer, a remark for one kind. Called from Settings, Standing
 * texts, by a supervisor. A change holds from the next document on; what is prepared is built anew, issued documents
 * keep what they say. Refuses a text without words and a name that is taken.
 */

export interface StandingTextChange {
  name: string
  kinds: DocumentKind[]
  brandId: number | null
  customers: TextAudience
  place: TextPlace
  texts: Partial<Record<Language, string>>
  from: Day | null
  until: Day | null
}

export interface StandingTextView extends StandingTextChange {
  id: number
  version: number
}

export async function standingTexts(): Promise<StandingTextView[]> {
  const found = await StandingText.findAll({ order: ['name', 'id'] })
  return found.map(({ id, name, kinds, brandId, customers, place, texts, fromDay, untilDay, version }) => ({
    id,
    name,
    kinds,
    brandId,
    customers,
    place,
    texts,
    from: fromDay,
    until: untilDay,
    version,
  }))
}

/** Those that documents of a kind may have. */
export async function standingTextsOf(kind: DocumentKind): Promise<StandingTextFacts[]> {
  const all = await standingTexts()
  return all
    .filter(({ kinds }) => kinds.length === 0 || kinds.includes(kind))
    .map(({ id: _id, version: _version, ...facts }) => facts)
}

/**
 * Adds a text (`id` null) or changes one. @throws Refusal "no-text", "same-name", "wrong-days", "no-such-brand",
 * "changed-meanwhile"
 */
export async function keepStandingText(
  id: number | null,
  { from, until, ...change }: StandingTextChange,
  version = 0,
): Promise<number> {
  if (!Object.values(change.texts).some((text) => text.trim())) throw badInput('no-text', 'texts')
  if (from && until && until < from) throw badInput('wrong-days', 'until')
  if (change.brandId !== null && !(await Brand.findByPk(change.brandId)))
    throw badInput('no-such-brand/any-more', 'brandId')
  return inTransaction(async () => {
    const twin = await StandingText.findOne({ where: { name: change.name } })
    if (twin && twin.id !== id) throw badInput('same-name/standing-text', 'name', { name: change.name })
    const facts = { ...change, fromDay: from, untilDay: until }
    const kept = id === null ? await StandingText.create(facts) : await changed(id, facts, version)
    await tell()
    return kept.id
  })
}

async function changed(id: number, facts: Partial<StandingText>, version: number): Promise<StandingText> {
  const text = await StandingText.findByPk(id, { lock: true })
  if (!text) throw new Refusal('no-such-text', { status: 404 })
  if (text.version !== version)
    throw new Refusal('changed-meanwhile/standing-text', { values: { text: text.name } })
  return text.update({ ...facts, version: version + 1 })
}

/** Takes a text from every document that is not issued yet. */
export async function dropStandingText(id: number): Promise<void> {
  await inTransaction(async () => {
    if ((await StandingText.destroy({ where: { id } })) > 0) await tell()
  })
}

async function tell(): Promise<void> {
  await markAllStale()
  publish('house')
  publish('line')
}
