import { Joi } from '../../http/checks'

/** What a document is sent once more for. */
export const copyPurpose = Joi.string().valid('again', 'reminder').default('again')
