import type { TextAudience, TextPlace } from '../../../core/documents/standing-texts'

export const placeWords: Record<TextPlace, string> = {
  'before the foot': 'below the document',
  foot: 'in the foot of every page',
  'own page': 'on a page of its own',
}
export const audienceWords: Record<TextAudience, string> = {
  all: 'all customers',
  business: 'business customers (with a VAT number)',
  private: 'private customers (without a VAT number)',
}
