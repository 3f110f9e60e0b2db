import { Joi, text } from '../checks'
import { route } from '../route'
import { tryCoverNote } from '../services/house/change'

/** What a cover note reads like with example fields, before it is kept. */
export default route<object, object, { subject: string, text: string, brand: string, colour: string, language: 'en' | 'de' }>({
  role: 'reader', body: Joi.object({ subject: Joi.string().max(300).allow('').required(), text: Joi.string().max(8000).allow('').required(), brand: text(80).default(''), colour: text(7).default('#333333'), language: Joi.valid('en', 'de').default('en') }),
}, ({ body }) => tryCoverNote(body, body.brand, body.colour, body.language))
