import { t } from '../../words'
import { kindWords } from '../../composables/kinds'
import { refusalWords } from '../../words/refusals'
import { longDay, plural, listed } from '../../composables/format'
import { languageWords } from '../../composables/languages'
import { useSession } from '../../stores/session'
import type { EnclosureSource } from '../../../core/enclosures/enclosures'
import { mostFileBytes, sizeWords } from '../../../core/enclosures/mail-size'
import type { EnclosureView } from '../../contract'

/** "invoices of Tansy Hollow to Schools, in German": with what a file goes along. */
export function withWhat(file: EnclosureView, group: string | undefined): string {
  const brand = useSession().house!.brands.find((one) => one.id === file.brandId)?.name
  return [
    file.kinds.length === 0
      ? t('enclosures.allDocuments')
      : listed(file.kinds.map((kind) => kindWords(kind, 'many'))),
    brand && t('enclosures.ofBrand', { brand }),
    group && t('enclosures.toGroup', { group }),
    file.language && t('enclosures.inLanguage', { language: languageWords[file.language] }),
  ]
    .filter(Boolean)
    .join(' ')
}

/** Why a chosen file cannot be taken, before it is sent to the server; empty where it can. */
export const tooHeavy = (file: File): string =>
  file.size > mostFileBytes
    ? refusalWords({
        says: 'bad-file/heavy',
        values: { name: file.name, size: sizeWords(file.size), most: sizeWords(mostFileBytes) },
        title: '',
      })
    : ''

/** "from 1 Dec 2026 until 24 Dec 2026" */
export const when = ({ from, until }: EnclosureView): string =>
  [
    from && t('enclosures.fromDay', { day: longDay(from) }),
    until && t('enclosures.untilDay', { day: longDay(until) }),
  ]
    .filter(Boolean)
    .join(' ')

/** "as a link, 3 downloads, 30 days"; empty where it may be attached. */
export const limits = ({
  mostDownloads,
  goodDays,
}: Pick<EnclosureView, 'mostDownloads' | 'goodDays'>): string =>
  [
    (mostDownloads ?? goodDays) !== null && t('enclosures.asALink'),
    mostDownloads !== null && plural(mostDownloads, 'download'),
    goodDays !== null && plural(goodDays, 'day'),
  ]
    .filter(Boolean)
    .join(', ')

const sourceWords: Record<EnclosureSource, string> = {
  once: t('enclosures.whyOnce'),
  order: t('enclosures.whyOrder'),
  customer: t('enclosures.whyCustomer'),
  item: t('enclosures.whyItem'),
  group: t('enclosures.whyGroup'),
  brand: t('enclosures.whyBrand'),
  kind: t('enclosures.whyKind'),
  house: t('enclosures.whyHouse'),
}

/** Why a file goes along. */
export const whyWords = (source: EnclosureSource): string => sourceWords[source]
