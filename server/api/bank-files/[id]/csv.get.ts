import { idParam } from '../../../http/checks'
import { csvAnswer, csvPages } from '../../../http/csv'
import { route } from '../../../http/route'
import { bankEntries } from '../../../services/receivables/bank-queries'

/** The movements of a bank file with what became of each, as CSV. */
export default route<{ id: number }>(
  { role: 'reader', brands: 'all', params: idParam },
  ({ event, params }) =>
    csvAnswer(
      event,
      `bank-file-${params.id}`,
      csvPages(
        [
          'day',
          'name',
          'account',
          'amount',
          'currency',
          'reference',
          'text',
          'state',
          'reason',
          'settles',
          'by',
        ],
        (place) => bankEntries({ fileId: params.id, ...place }),
        ({
          bookedOn,
          name,
          iban,
          amount,
          currency,
          reference,
          text,
          state,
          reason,
          proposal,
          decidedBy,
        }) => ({
          day: bookedOn,
          name,
          account: iban,
          amount,
          currency,
          reference,
          text,
          state,
          reason: reason?.words ?? '',
          settles: proposal.settlements.map((one) => one.number).join(' '),
          by: decidedBy,
        }),
      ),
    ),
)
