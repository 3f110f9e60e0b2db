import { t } from '../../words'
import { shortDay } from '../../composables/format'
import type { StatementPeriod } from '../../../core/receivables/statement'

/** What a statement tells of, in a line of a list. */
export const periodWords = (period: StatementPeriod): string =>
  period.form === 'activity'
    ? t('accounts.bookedFromTo', { from: shortDay(period.from), until: shortDay(period.until) })
    : period.form === 'reminder'
      ? t('accounts.remindedOnDay', { day: shortDay(period.until) })
      : t('accounts.openOnDay', { day: shortDay(period.until) })
