import { importSubjects } from '../../../core/imports/subjects'
import type { ImportSubject } from '../../../core/imports/subjects'
import { Joi, text } from '../../http/checks'
import { checkRole, type User } from '../../http/route'

export const importSubject = Joi.valid(...importSubjects)

const mapped = Joi.alternatives().try(
  Joi.object({ column: Joi.number().integer().min(0).max(199).required() }),
  Joi.object({ fixed: text(300).required() }),
)

/** Rates belong to the house's set-up, wherever they come from. @throws Refusal "not-allowed" */
export const checkMayImport = (user: User, subject: ImportSubject) =>
  checkRole(user, subject === 'rates' ? 'supervisor' : 'clerk')

/** How a file is read: which column is which field, and its signs. */
export const reading = Joi.object({
  mapping: Joi.object().pattern(Joi.string().max(80), mapped).max(200).required(),
  decimalSign: Joi.valid('.', ',').required(),
  dayOrder: Joi.valid('day first', 'month first').required(),
})

/** A record as another program gives it: its fields by key, all as text or plain numbers. */
export const records = Joi.array()
  .items(
    Joi.object()
      .pattern(
        Joi.string().max(80),
        Joi.alternatives().try(
          Joi.string().max(4000).allow(''),
          Joi.number()
            .unsafe(false)
            .custom((value: number) => String(value)),
        ),
      )
      .max(200),
  )
  .min(1)
  .max(500)
  .required()
