import { Joi, name, text } from '../../http/checks'

/** The people of a customer, by what they are for. */
export const contacts = Joi.array()
  .max(50)
  .items(
    Joi.object({
      name: name(80).allow('').default(''),
      email: text(320).required(),
      role: name(40).required(),
    }),
  )
