import { day, id, Joi, kind, language, name } from '../../http/checks'
import type { EnclosureChange } from '../../services/enclosures/enclosures'

/** So much a file of ten million bytes takes in base64, with what is written beside it. */
export const fileBodyLimit = 13_500_000

const file = Joi.string().base64().max(13_400_000)

/** With what a file goes along. */
export const enclosure = {
  name: name(120).required(),
  kinds: Joi.array().items(kind).unique().default([]),
  brandId: id.allow(null).default(null),
  groupId: id.allow(null).default(null),
  language: language.allow(null).default(null),
  from: day.allow(null).default(null),
  until: day.allow(null).default(null),
  goes: Joi.boolean().default(true),
  mostDownloads: Joi.number().integer().min(1).max(1000).allow(null).default(null),
  goodDays: Joi.number().integer().min(1).max(3650).allow(null).default(null),
}

/** A file in base64, and with what it goes along. */
export const newEnclosure = Joi.object({ ...enclosure, file: file.required() })

/** The same of one that is there; without a file, the one that is kept stays. */
export const changedEnclosure = Joi.object({ ...enclosure, version: id.required(), file })

export type NewEnclosure = EnclosureChange & { file: string }

export const bytesIn = (base64: string) => Buffer.from(base64, 'base64')
