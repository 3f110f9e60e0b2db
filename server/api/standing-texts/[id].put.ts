import { id, idParam, Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepStandingText, type StandingTextChange } from '../../services/house/standing-texts'
import { standingText } from './text.check'

export default route<{ id: number }, object, StandingTextChange & { version: number }>(
  {
    role: 'supervisor',
    brands: 'all',
    params: idParam,
    body: Joi.object({ ...standingText, version: id.required() }),
  },
  async ({ params, body: { version, ...change } }) => ({
    id: await keepStandingText(params.id, change, version),
  }),
)
