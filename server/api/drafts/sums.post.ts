import type { DraftFacts } from '../../../core/documents/draft'
import { draftFacts } from './draft.check'
import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { draftSums } from '../../services/drafts/drafts'

/** What a draft comes to as it stands on the screen. */
export default route<object, object, { facts: DraftFacts }>(
  { role: 'reader', brands: 'none', body: Joi.object({ facts: draftFacts.required() }) },
  ({ body }) => draftSums(body.facts),
)
