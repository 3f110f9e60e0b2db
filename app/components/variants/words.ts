import { t } from '../../words'
import { plural } from '../../composables/format'
import type { VariantView } from '../../contract'

/** Who gets a variant: "3 customers, groups: Schools". */
export const whoGets = ({ customers, groups, everybody }: VariantView): string =>
  [
    everybody ? t('variants.everybody') : '',
    groups.length > 0 ? t('variants.groupsWords', { groups: groups.join(', ') }) : '',
    customers > 0 ? plural(customers, 'customer') : '',
  ]
    .filter(Boolean)
    .join(', ') || t('variants.nobody')

/** The brand's own and the variants, to choose from, as a choice of the interface names them. */
export const variantChoices = (variants: readonly { id: number; name: string }[]) => [
  { value: '0', words: t('variants.theBrandsOwn') },
  ...variants.map(({ id, name }) => ({ value: String(id), words: name })),
]
