import { decimal, id, Joi, kind, text } from '../../checks'
import { route } from '../../route'
import { startMatchingRun, startRun, type Matching } from '../../services/documents/send-run'

interface Send { papers?: { id: number, revision: number }[], matching?: Matching, count?: number, key: string }

/** Sends papers as they were looked at, or all that match a filter; the same key never sends twice. */
export default route<object, object, Send>({
  role: 'clerk',
  body: Joi.object({
    papers: Joi.array().items(Joi.object({ id: id.required(), revision: id.required() })).min(1).max(5000), key: Joi.string().guid().required(),
    matching: Joi.object({ kind, brand: text(10), over: decimal, search: text(100).allow('') }), count: id,
  }).xor('papers', 'matching').with('matching', 'count'),
}, async ({ body, user }) => ({ runId: body.papers ? await startRun(body.papers, body.key, user) : await startMatchingRun(body.matching!, body.count!, body.key, user) }))
