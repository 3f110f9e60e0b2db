import Joi from 'joi'
import { countryOf } from '../../core/countries'
import { isDay } from '../../core/documents/days'
import { documentKinds, orderKinds } from '../../core/documents/kinds'
import { isSafeLink } from '../../core/emailtexts/nodes'
import { pictureWidths } from '../../core/emailtexts/pictures'
import { languages } from '../../core/money/format'

/** Checks at the door that several routes share. */
export const id = Joi.number().integer().min(1).max(2_147_483_647)

/** A variant for some customers; 0 is the brand's own. */
export const variantId = Joi.number().integer().min(0).max(2_147_483_647)

export const idParam = Joi.object({ id: id.required() })

export const ids = Joi.array().items(id).min(1).max(5000).unique().required()

/**
 * Control characters (Unicode category Cc) but tab and line ends, for a pattern that also the API's
 * description can hold.
 */
const controls = '\\u0000-\\u0008\\u000b\\u000c\\u000e-\\u001f\\u007f-\\u009f'

/** Text of one or more lines; no control characters but line ends and tabs. */
export const text = (most: number) =>
  Joi.string()
    .trim()
    .max(most)
    .pattern(new RegExp(`^[^${controls}]*$`))
    .messages({ 'string.pattern.base': 'input/character' })

/**
 * A name or another text of one line: no control characters, and none that turn the direction of reading
 * (Unicode bidi overrides).
 */
export const name = (most: number) =>
  Joi.string()
    .trim()
    .max(most)
    .pattern(new RegExp(`^[^${controls}\\t\\n\\r\\u202a-\\u202e\\u2066-\\u2069]*$`))
    .messages({ 'string.pattern.base': 'input/character' })

/** A country by its name or its two letters (ISO 3166-1), kept by the letters. */
export const country = text(60)
  .custom((value: string, helpers) => countryOf(value) ?? helpers.error('string.country'))
  .messages({
    'string.country': 'input/country',
  })

export const decimal = Joi.string()
  .trim()
  .pattern(/^-?\d{1,10}(\.\d{1,4})?$/)
  .messages({ 'string.pattern.base': 'input/number' })

/** A real day from 1900 to 2199. */
export const day = Joi.string()
  .pattern(/^(19|20|21)\d{2}-\d{2}-\d{2}$/)
  .custom((value: string, helpers) => (isDay(value) ? value : helpers.error('string.pattern.base')))
  .messages({ 'string.pattern.base': 'input/day' })

export const kind = Joi.valid(...documentKinds)

export const orderKind = Joi.valid(...orderKinds)

export const language = Joi.valid(...languages)

/** Where words and pictures of emails may lead. */
export const safeLink = Joi.string()
  .max(2000)
  .custom((href: string, helpers) => (isSafeLink(href) ? href : helpers.error('any.invalid')))

export const sha256 = Joi.string().pattern(/^[0-9a-f]{64}$/)

/** A picture of an email: kept before, with its words and its width. */
export const emailPicture = {
  sha256: sha256.required(),
  alt: name(200).required(),
  width: Joi.number().integer().min(pictureWidths.least).max(pictureWidths.most).required(),
}

export const emailLook = Joi.object({
  heading: Joi.valid('line', 'band', 'none').required(),
  colour: Joi.valid('brand', 'accent').required(),
  letters: Joi.valid('sans', 'serif').required(),
  closing: text(600).allow('').required(),
  banner: Joi.object({
    ...emailPicture,
    href: safeLink.allow('').required(),
    from: day.allow(null).required(),
    until: day.allow(null).required(),
    counted: Joi.boolean(),
  })
    .allow(null)
    .default(null),
})

/** ISO 4217. */
export const currency = Joi.string()
  .pattern(/^[A-Z]{3}$/)
  .messages({ 'string.pattern.base': 'input/currency' })

/** A bank account that documents name; the IBAN's check digits are looked at by what keeps it. */
export const bank = Joi.object({
  name: name(80).allow('').default(''),
  iban: text(60).required(),
  bic: text(20).allow('').default(''),
  currency: currency.allow('').default(''),
})

export const percent = Joi.string()
  .trim()
  .pattern(/^(100(\.0{1,3})?|\d{1,2}(\.\d{1,3})?)$/)
  .messages({ 'string.pattern.base': 'input/percentage' })

/** What links in emails begin with: the address by which people here reach Clothespin. */
export const publicAddress = Joi.string()
  .trim()
  .max(200)
  .uri({ scheme: ['http', 'https'] })
  .replace(/\/+$/, '')
  .allow('')
  .messages({ 'string.uri': 'input/web-address' })

/** A password that is being chosen: long is what makes it strong (NIST SP 800-63B, 3.1.1). */
export const newPassword = Joi.string().min(12).max(200).messages({ 'string.min': 'input/password' })

/** A picture in base64. */
export const picture = Joi.string().base64().max(3_000_000)

export const colour = Joi.string()
  .pattern(/^#[0-9a-f]{6}$/i)
  .lowercase()
  .required()
  .messages({ 'string.pattern.base': 'input/colour' })

/** The colours of a brand's documents. */
export const colours = Joi.object({ brand: colour, accent: colour, ground: colour })

export const address = Joi.object({
  attention: text(80).allow(''),
  lines: Joi.array().items(text(80)).min(1).max(6).required(),
  country: country.required(),
}).allow(null)

const whole = (least: number, most: number) => Joi.number().integer().min(least).max(most)

const ofDay = { is: 'day of month', then: Joi.required(), otherwise: Joi.forbidden() }

/** n days; end of month and n days; a day of the nth month after; each with an early-payment discount or none. */
export const terms = Joi.object({
  kind: Joi.valid('days', 'end of month', 'day of month').required(),
  days: whole(0, 365).when('kind', { is: 'day of month', then: Joi.forbidden(), otherwise: Joi.required() }),
  day: whole(1, 31).when('kind', ofDay),
  months: whole(0, 12).when('kind', ofDay),
  discount: Joi.object({ percent: percent.required(), days: whole(1, 365).required() }),
  collected: Joi.object({ mandate: text(35).allow('').required() }),
})

export const page = {
  after: Joi.string().max(300),
  limit: Joi.number().integer().min(1).max(200).default(60),
}

export { Joi }

/** A time of the day, "08:00". */
export const clockTime = Joi.string()
  .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
  .messages({ 'string.pattern.base': 'input/time' })
