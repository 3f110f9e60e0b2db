import { t } from '../words'
import type { Recipient } from '../../core/preferences/recipients'

const keys = { To: 'common.to', CC: 'common.cc', BCC: 'common.bcc' } as const satisfies Record<
  Recipient['as'],
  string
>

/** In which field of an email somebody stands (RFC 5322). */
export const asWords = (as: Recipient['as']): string => t(keys[as])
