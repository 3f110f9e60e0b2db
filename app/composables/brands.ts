/** The brands to choose from in a sentence of filters; who works for one has no choice, and reads its name. */
export function brandChoices(brands: readonly { code: string; name: string }[]) {
  const own = brands.map((brand) => ({ value: brand.code, words: brand.name }))
  const [only] = own
  if (own.length === 1 && only) return [{ value: '', words: only.words }]
  return [{ value: '', words: own.length === 2 ? 'both brands' : 'all brands' }, ...own]
}

/** The chosen brand in words; the first choice where none is chosen. */
export const brandWords = (choices: ReturnType<typeof brandChoices>, code: string): string =>
  (choices.find((choice) => choice.value === code) ?? choices[0]!).words
