import { stages } from '../../../core/dispatch/states'
import { decimal, Joi, kind, page, text } from '../../checks'
import { route } from '../../route'
import { lineList, type LineFilter } from '../../services/line/list'

export default route<object, LineFilter>({
  role: 'reader',
  query: Joi.object({ stage: Joi.valid(...stages).required(), kind, brand: text(10), over: decimal, search: text(100).allow(''), ...page }),
}, ({ query }) => lineList(query))
