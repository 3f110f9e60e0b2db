import { told } from '../../../core/said/told'
import { Joi } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { lineFilter } from './list.check'
import { route } from '../../http/route'
import { type LineFilter } from '../../services/line/list'
import { lineList } from '../../services/line/list-queries'

/** A stage of the Line as CSV. */
export default route<object, LineFilter>(
  { role: 'reader', brands: 'own', query: Joi.object(lineFilter) },
  ({ event, query, user }) =>
    csvAnswer(
      event,
      query.stage.replace(' ', '-'),
      csvPages(
        [
          'number',
          'kind',
          'order',
          'customer',
          'to',
          'channel',
          'total',
          'currency',
          'since',
          'state',
          'problem',
        ],
        (place) => lineList({ ...query, ...place }, user),
        ({
          number,
          kind,
          orderNumber,
          customerName,
          sendTo,
          channel,
          total,
          currency,
          since,
          state,
          problem,
          cause,
          reply,
        }) => ({
          number,
          kind,
          order: orderNumber,
          customer: customerName,
          to: sendTo,
          channel,
          total,
          currency,
          since: new Date(since).toISOString(),
          state,
          problem:
            problem?.words ?? [cause && told(`cause/${cause}`).words, reply].filter(Boolean).join(': '),
        }),
      ),
    ),
)
