import { t } from '../words'
/** The brands to choose from in a sentence of filters; who works for one has no choice, and reads its name. */
export function brandChoices(brands: readonly { code: string; name: string }[]) {
  const own = brands.map((brand) => ({ value: brand.code, words: brand.name }))
  const [only] = own
  if (own.length === 1 && only) return [{ value: '', words: only.words }]
  return [{ value: '', words: own.length === 2 ? t('common.bothBrands') : t('common.allBrands') }, ...own]
}
