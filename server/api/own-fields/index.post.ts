import { fieldKinds, fieldSubjects, type OwnFieldFacts } from '../../../core/fields/own-fields'
import { Joi, name } from '../../http/checks'
import { route } from '../../http/route'
import { addOwnField } from '../../services/fields/own-fields'
import { changeable } from './field.check'

export default route<object, object, OwnFieldFacts>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      of: Joi.valid(...fieldSubjects).required(),
      name: name(60).required(),
      kind: Joi.valid(...fieldKinds).required(),
      ...changeable,
    }),
  },
  async ({ body }) => ({ id: await addOwnField(body) }),
)
