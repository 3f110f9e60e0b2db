import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { documentView } from '../../services/line/in-hand'

export default route<{ id: number }, { dispatch?: number }>(
  {
    role: 'reader',
    brands: 'own',
    of: ({ params }) => ({ documents: [params.id] }),
    params: idParam,
    query: Joi.object({ dispatch: id }),
  },
  ({ params, query }) => documentView(params.id, query.dispatch),
)
