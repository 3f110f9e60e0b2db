import { sum } from '../../../core/money/decimal'
import { taxInDiscount } from '../../../core/receivables/settle'
import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { paymentFilter } from './list.check'
import { route } from '../../http/route'
import { type PaymentFilter } from '../../services/receivables/accounts'
import { listPayments } from '../../services/receivables/accounts-queries'

/** Payments and refunds as CSV; money that went out, and what was taken back, is below zero. */
export default route<object, PaymentFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(paymentFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      'payments',
      csvPages(
        [
          'date',
          'customer',
          'direction',
          'method',
          'amount',
          'currency',
          'settles',
          'discount',
          'taxInDiscount',
          'waived',
          'onAccount',
          'reference',
          'receipt',
          'recordedBy',
        ],
        (place) => listPayments({ ...query, ...place }, user),
        ({
          date,
          customerName,
          direction,
          method,
          amount,
          currency,
          settles,
          open,
          reference,
          receipt,
          madeBy,
          reverses,
        }) => ({
          date,
          customer: customerName,
          direction: reverses ? 'taken back' : direction === 'in' ? 'payment' : 'refund',
          method,
          amount: direction === 'out' ? `-${amount}`.replace('--', '') : amount,
          currency,
          settles: settles.map((line) => line.number).join(' '),
          discount: sum(settles.map((line) => line.discount)).toString(),
          taxInDiscount: sum(
            settles.map((line) => taxInDiscount(line.discount, { ...line, currency })),
          ).toString(),
          waived: sum(settles.map((line) => line.writeOff)).toString(),
          onAccount: open,
          reference,
          receipt: receipt?.number ?? '',
          recordedBy: madeBy,
        }),
      ),
    ),
)
