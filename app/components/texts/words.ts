import { t } from '../../words'
import type { TextAudience, TextPlace } from '../../../core/documents/standing-texts'

export const placeWords: Record<TextPlace, string> = {
  'before the foot': t('texts.belowTheDocument'),
  foot: t('texts.inTheFootOfEvery'),
  'own page': t('texts.onAPageOfIts'),
}
export const audienceWords: Record<TextAudience, string> = {
  all: t('texts.allCustomers'),
  business: t('texts.businessCustomersWithAVAT'),
  private: t('texts.privateCustomersWithoutAVAT'),
}
