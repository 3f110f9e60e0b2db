import { Joi } from '../../http/checks'
import { route } from '../../http/route'
import { keepStandingText, type StandingTextChange } from '../../services/house/standing-texts'
import { standingText } from './text.check'

export default route<object, object, StandingTextChange>(
  { role: 'supervisor', brands: 'all', body: Joi.object(standingText) },
  async ({ body }) => ({ id: await keepStandingText(null, body) }),
)
