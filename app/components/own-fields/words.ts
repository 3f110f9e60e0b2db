import { t } from '../../words'
import type { FieldKind } from '../../../core/fields/own-fields'

export const kindWords: Record<FieldKind, string> = {
  text: 'text',
  number: 'number',
  date: 'date',
  choice: t('ownFields.oneOfSomeWords'),
  'yes/no': t('ownFields.yesOrNo'),
}
