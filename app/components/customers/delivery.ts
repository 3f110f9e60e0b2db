import { listed } from '../../composables/format'
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { kindFacts, type DocumentKind } from '../../../core/documents/kinds'
import type { Needs } from '../../../core/documents/needs'
import { toldRole, type Preference, type Preferences } from '../../../core/preferences/recipients'

/** Wishes that hold where nothing more particular is said, the most general first. */
export interface Beneath {
  /** "the company", "the group Schools". */
  level: string
  preferences: Preferences
}

/** What holds beneath a level for one kind, and where each part of it is said. */
export function beneathFor(beneath: readonly Beneath[], kind: DocumentKind): Preference {
  return Object.assign({}, ...beneath.map((one) => one.preferences[kind] ?? {})) as Preference
}

/** Which level says how a kind goes: the most particular one that says anything of it. */
export function levelOf(
  own: Preference | undefined,
  ownLevel: string,
  beneath: readonly Beneath[],
  kind: DocumentKind,
): string {
  if (own && Object.keys(own).length > 0) return ownLevel
  return (
    beneath.findLast((one) => Object.keys(one.preferences[kind] ?? {}).length > 0)?.level ??
    t('customers.asUsual')
  )
}

export const channelWords = {
  email: t('customers.byEmail'),
  paper: t('customers.onPaper'),
  both: t('customers.byEmailAndOnPaper'),
  nothing: t('customers.notAtAll'),
} as const

export const attachWords = {
  attached: t('customers.attached'),
  link: t('customers.asALink'),
  both: t('customers.attachedAndAsALink'),
  body: t('customers.inTheEmailItself'),
} as const

export const copiesWords = {
  none: t('customers.noCopies'),
  zip: t('customers.copiesInOneZIP'),
  singly: t('customers.copiesSingly'),
} as const

/** "the billing contact", "accounts@ottermill.example". */
export const toWords = (wish: Preference, kind: DocumentKind): string =>
  wish.addresses?.length ? wish.addresses.join(', ') : saidWords(toldRole(wish.to ?? kindFacts[kind].to))

export const listOf = (text: string): string[] => text.split(/[\s,;]+/).filter(Boolean)

/** "“Your reference” and “Cost centre”": what an order has to say before it is invoiced; empty where nothing is. */
export const needsWords = ({ reference, fields }: Needs): string =>
  listed([...(reference ? [t('common.yourReference')] : []), ...fields].map((one) => `“${one}”`))
