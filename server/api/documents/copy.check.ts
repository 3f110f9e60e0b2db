import { Joi } from '../../http/checks'

/** Whose email text a copy goes with: a variant, 0 for the brand's own; null as its customer has it. */
export const chosenText = Joi.number().integer().min(0).allow(null).default(null)

/** What a document is sent once more for. */
export const copyPurpose = Joi.string().valid('again', 'reminder').default('again')
