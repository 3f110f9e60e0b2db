import type { RoutineSentence } from '../../../core/routines/sentence'
import { id, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { sentence } from './sentence.check'
import { tryOut } from '../../services/routines/trial'

/** What a sentence would have done over the past days, beside the one that is live. Changes nothing. */
export default route<
  object,
  object,
  { sentence: RoutineSentence; live: RoutineSentence | null; days: number; routine: number | null }
>(
  {
    role: 'reader',
    brands: 'own',
    body: Joi.object({
      sentence: sentence.required(),
      live: sentence.allow(null).default(null),
      routine: id.allow(null).default(null),
      days: Joi.number().integer().min(1).max(366).default(30),
    }),
  },
  ({ body, user }) => tryOut(body.sentence, body.days, body.live, body.routine, user),
)
