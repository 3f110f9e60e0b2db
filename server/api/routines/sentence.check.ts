import { relativePeriods } from '../../../core/receivables/relative-period'
import { choiceSubjects, totalsOf } from '../../../core/routines/conditions'
import { routineEvents, trusts } from '../../../core/routines/sentence'
import { turns } from '../../../core/routines/time'
import { clockTime as time, country, Joi, kind, name, text } from '../../http/checks'

/** A routine's sentence at the door; what it means is checked by the core. */
const condition = Joi.alternatives().try(
  Joi.object({
    about: Joi.valid('total').required(),
    of: Joi.valid(...totalsOf).default('gross'),
    is: Joi.valid('over', 'at most').required(),
    amount: text(16).required(),
    currency: Joi.string().length(3).uppercase().required(),
  }),
  Joi.object({
    about: Joi.valid(...choiceSubjects).required(),
    is: Joi.valid('one of', 'not').required(),
    values: Joi.array()
      .max(200)
      .required()
      .when('about', {
        is: 'country',
        then: Joi.array().items(country),
        otherwise: Joi.array().items(text(120)),
      }),
  }),
  Joi.object({
    about: Joi.valid('late').required(),
    is: Joi.valid('over', 'at most').required(),
    days: text(4).required(),
  }),
  Joi.object({
    about: Joi.valid('field').required(),
    field: text(60).required(),
    is: Joi.valid('filled', 'empty', 'contains', 'is').required(),
    value: text(200).allow('').default(''),
  }),
)

export const sentence = Joi.object({
  on: Joi.valid(...routineEvents).default('order status'),
  statuses: Joi.array().items(text(40)).max(20).required(),
  conditions: Joi.array().items(condition).max(20).required(),
  issue: kind.required(),
  at: Joi.object({
    each: Joi.valid(...turns).required(),
    on: Joi.number().integer().min(1).max(31),
    time: time.required(),
  }),
  period: Joi.valid(...relativePeriods),
  to: name(40).required(),
  copyTo: Joi.array().items(text(320)).max(10).default([]),
  service: name(80).allow(''),
  rehearseTo: text(320).allow('').default(''),
  delayMinutes: Joi.number().integer().required(),
  hours: Joi.object({ from: time.required(), to: time.required(), workdays: Joi.boolean().required() })
    .allow(null)
    .default(null),
})

export const trust = Joi.valid(...trusts)
