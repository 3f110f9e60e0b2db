import { labelFormatNames, mostOffset } from '../../../core/shipping/label-formats'
import { slipDetails } from '../../../core/shipping/slip'
import { kindsOfEvents } from '../../../core/documents/kinds'
import { tooLargeRules } from '../../../core/enclosures/carriage'
import { languages } from '../../../core/money/format'
import {
  clockTime,
  country,
  day,
  decimal,
  Joi,
  kind,
  name,
  percent,
  publicAddress,
  text,
} from '../../http/checks'
import { route } from '../../http/route'
import type { HouseSettings } from '../../services/house/settings'
import { changeSettings } from '../../services/orders/settings'

/** What a letter costs takes nothing off, and nobody is reminded of less than nothing. */
const notBelowZero = decimal.pattern(/^\d/).messages({ 'string.pattern.base': 'input/sum' })

const millimetres = Joi.number().integer().min(1).max(10_000)

/** Millimetres. */
const offset = Joi.number().min(-mostOffset).max(mostOffset).precision(1)

/** A text in each language of documents. */
const inLanguages = (most: number) =>
  Joi.object(Object.fromEntries(languages.map((one) => [one, text(most).required()])))

/** A change, and how what it changes was when it was looked at. */
type Change = Partial<HouseSettings> & { was?: Partial<HouseSettings> }

export default route<object, object, Change>(
  {
    role: 'supervisor',
    brands: 'all',
    body: Joi.object({
      failureNoticeTo: text(320).allow(''),
      presumeSeconds: Joi.number().integer().min(5).max(604_800),
      zeroTotals: Joi.valid('make', 'skip'),
      withdrawnStatuses: Joi.array().items(text(40)).max(20).unique(),
      heldStatuses: Joi.array().items(text(40)).max(20).unique(),
      withdrawnRule: Joi.valid('list', 'settle'),
      smallDifference: decimal,
      documentDates: Joi.object(Object.fromEntries(kindsOfEvents.map((kind) => [kind, Joi.valid('event')]))),
      undoMinutes: Joi.number().integer().min(0).max(60),
      rehearsalAddress: text(320).allow(''),
      publicAddress,
      linkDays: Joi.number().integer().min(1).max(730),
      tooLarge: Joi.valid(...tooLargeRules),
      postage: decimal,
      countOpens: Joi.boolean(),
      editableFiles: Joi.boolean(),
      reminders: Joi.object({
        daysBetween: Joi.number().integer().min(1).max(365).required(),
        least: notBelowZero.required(),
        levels: Joi.array()
          .items(
            Joi.object({
              name: name(40).required(),
              heading: inLanguages(80).required(),
              words: inLanguages(2000).required(),
              afterDays: Joi.number().integer().min(1).max(365).required(),
              interest: Joi.boolean().default(false),
              fee: notBelowZero.default('0'),
            }),
          )
          .min(1)
          .max(9)
          .required(),
        rates: Joi.array()
          .items(
            Joi.object({
              group: text(80).allow('').required(),
              country: country.allow('').required(),
              from: day.required(),
              percent: percent.required(),
            }),
          )
          .max(50)
          .default([]),
        booksCharges: Joi.boolean().default(false),
      }),
      morning: Joi.object({ to: text(320).required(), time: clockTime.required() }).allow(null),
      digest: Joi.object({
        to: Joi.array().items(text(320)).min(1).max(20).unique().required(),
        kinds: Joi.array().items(kind).unique().default([]),
        time: clockTime.required(),
      }).allow(null),
      statementsTogether: Joi.boolean(),
      holidayRegion: Joi.string().max(10).allow(''),
      boxes: Joi.array()
        .items(
          Joi.object({
            name: name(40).min(1).required(),
            length: millimetres.required(),
            width: millimetres.required(),
            height: millimetres.required(),
            weight: decimal.required(),
            most: decimal.required(),
          }),
        )
        .max(40),
      serviceRules: Joi.array()
        .items(
          Joi.object({
            service: name(80).min(1).required(),
            countries: Joi.array().items(country).max(60).default([]),
            customers: Joi.array().items(text(20)).max(200).default([]),
            overWeight: decimal.allow('').default(''),
            overTotal: decimal.allow('').default(''),
          }),
        )
        .max(60),
      labelPrinting: Joi.object({
        format: Joi.valid(...labelFormatNames).required(),
        from: Joi.number().integer().min(1).max(4).default(1),
        offset: Joi.object({ x: offset.required(), y: offset.required() }),
      }),
      slipShows: Joi.object({
        details: Joi.array()
          .items(Joi.valid(...slipDetails))
          .unique()
          .required(),
        prices: Joi.boolean().required(),
      }),
      gs1Prefix: Joi.string().trim().max(10).allow(''),
      secondLook: Joi.object({
        above: decimal.allow(null).required(),
        newAddress: Joi.boolean().required(),
        newBank: Joi.boolean().required(),
        many: Joi.number().integer().min(1).max(5000).allow(null).required(),
      }),
      was: Joi.object().unknown(),
    }).min(1),
  },
  async ({ body: { was, ...change } }) => {
    await changeSettings(change, was)
    return { ok: true }
  },
)
