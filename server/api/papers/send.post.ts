import { id, Joi } from '../../checks'
import { route } from '../../route'
import { startRun } from '../../services/documents/send-run'

/** Sends papers as they were looked at; the same key never sends twice. */
export default route<object, object, { papers: { id: number, revision: number }[], key: string }>({
  role: 'clerk',
  body: Joi.object({ papers: Joi.array().items(Joi.object({ id: id.required(), revision: id.required() })).min(1).max(5000).required(), key: Joi.string().guid().required() }),
}, async ({ body, user }) => ({ runId: await startRun(body.papers, body.key, user) }))
