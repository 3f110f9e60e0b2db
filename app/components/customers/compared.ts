import { t } from '../../words'
import { kindTitle } from '../../composables/kinds'
import { saidWords } from '../../words/speech'
import { languageWords } from '../../composables/languages'
import { capital, documentKinds } from '../../../core/documents/kinds'
import { toldTerms } from '../../../core/documents/terms'
import { toldPreference, toldRole } from '../../../core/preferences/recipients'
import { needsWords } from './delivery'
import type { CustomerView } from '../../contract'

/** One thing of two customers, in words. */
export interface ComparedRow {
  what: string
  one: string
  other: string
  differs: boolean
}

const priceWords = (of: CustomerView) => {
  if (of.pricesIncludeTax === null) return t('customers.asTheBrandHasIt')
  return of.pricesIncludeTax ? t('common.withVAT') : t('common.withoutVAT')
}

/** How a kind goes to a customer, whoever says so, and what stops it. */
function wayWords(of: CustomerView, kind: (typeof documentKinds)[number]): string {
  const way = of.ways.find((one) => one.kind === kind)
  const words = saidWords(toldPreference({ channel: 'email', ...of.wished[kind] }))
  return [words, way?.problem ? t('customers.butThereIs', { problem: saidWords(way.problem) }) : '']
    .filter(Boolean)
    .join('; ')
}

const peopleOf = (of: CustomerView, role: string) =>
  of.contacts
    .filter((one) => one.role === role)
    .map((one) => one.name || one.email)
    .join(', ')

/** Everything that decides what two customers get, how and when; what differs and what does not. */
export function comparedRows(one: CustomerView, other: CustomerView): ComparedRow[] {
  const row = (what: string, words: (of: CustomerView) => string): ComparedRow => {
    const [mine, theirs] = [words(one), words(other)]
    return { what, one: mine, other: theirs, differs: mine !== theirs }
  }
  const roles = [...new Set([...one.contacts, ...other.contacts].map(({ role }) => role))]
  return [
    row(t('customers.group'), (of) => of.groupName),
    row(t('common.language'), (of) => languageWords[of.language]),
    row(t('common.currency'), (of) => of.currency),
    row(t('common.due'), (of) => saidWords(toldTerms(of.terms))),
    row(t('common.prices'), priceWords),
    row(t('customers.salesperson'), (of) => of.salesperson),
    row(t('customers.needs'), (of) => needsWords(of.needs)),
    ...documentKinds.map((kind) => row(kindTitle(kind, 'many'), (of) => wayWords(of, kind))),
    ...roles.map((role) => row(capital(saidWords(toldRole(role))), (of) => peopleOf(of, role))),
    row(t('customers.linkCode'), (of) => (of.linkCode ? t('customers.thereIsACode') : '')),
  ]
}
