import { parseDay, type Day } from '../documents/days'
import { Decimal, type DecimalText } from '../money/decimal'

/** Ageing by due date. */
export const ageingSteps = ['not due', '1–30', '31–60', '61–90', 'over 90'] as const
export type AgeingStep = (typeof ageingSteps)[number]

/** Whole days after the due date; zero or below while it is not due. */
export function daysLate(dueDate: Day, today: Day): number {
  const at = (day: Day) => {
    const { year, month, day: date } = parseDay(day)
    return Date.UTC(year, month - 1, date)
  }
  return Math.round((at(today) - at(dueDate)) / 86_400_000)
}

/** The step in which an open item stands. */
export function ageingStep(dueDate: Day, today: Day): AgeingStep {
  const late = daysLate(dueDate, today)
  return late <= 0 ? 'not due' : late <= 30 ? '1–30' : late <= 60 ? '31–60' : late <= 90 ? '61–90' : 'over 90'
}

export type PaymentState = 'paid' | 'part-paid' | 'open' | 'overdue'

/** How an open item stands; what is overdue is that whether or not a part is paid. */
export function paymentState(
  { open, amount, dueDate }: { open: DecimalText; amount: DecimalText; dueDate: Day },
  today: Day,
): PaymentState {
  if (new Decimal(open).lte(0)) return 'paid'
  if (daysLate(dueDate, today) > 0) return 'overdue'
  return new Decimal(open).lt(amount) ? 'part-paid' : 'open'
}
