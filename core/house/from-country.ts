import type { Terms } from '../documents/terms'
import type { TaxCode } from '../money/tax-codes'
import type { Language } from '../money/format'
import type { Day } from '../documents/days'

/*
 * What follows from a company's country: proposed at the first visit, and changed there where it does not fit.
 */

interface CountryRow {
  /** ISO 4217. */
  currency: string
  /** IANA time zone of the capital. */
  zone: string
  /** Percent: the standard rate first, then the reduced ones (European Commission, VAT rates of 1 January 2026). */
  rates: string[]
}

const row = (currency: string, zone: string, ...rates: string[]): CountryRow => ({ currency, zone, rates })

const countries: Readonly<Record<string, CountryRow>> = {
  AT: row('EUR', 'Europe/Vienna', '20', '13', '10'),
  BE: row('EUR', 'Europe/Brussels', '21', '12', '6'),
  BG: row('EUR', 'Europe/Sofia', '20', '9'),
  CH: row('CHF', 'Europe/Zurich', '8.1', '3.8', '2.6'),
  CY: row('EUR', 'Asia/Nicosia', '19', '9', '5'),
  CZ: row('CZK', 'Europe/Prague', '21', '12'),
  DE: row('EUR', 'Europe/Berlin', '19', '7'),
  DK: row('DKK', 'Europe/Copenhagen', '25'),
  EE: row('EUR', 'Europe/Tallinn', '24', '13', '9'),
  ES: row('EUR', 'Europe/Madrid', '21', '10', '4'),
  FI: row('EUR', 'Europe/Helsinki', '25.5', '13.5', '10'),
  FR: row('EUR', 'Europe/Paris', '20', '10', '5.5', '2.1'),
  GB: row('GBP', 'Europe/London', '20', '5'),
  GR: row('EUR', 'Europe/Athens', '24', '13', '6'),
  HR: row('EUR', 'Europe/Zagreb', '25', '13', '5'),
  HU: row('HUF', 'Europe/Budapest', '27', '18', '5'),
  IE: row('EUR', 'Europe/Dublin', '23', '13.5', '9'),
  IS: row('ISK', 'Atlantic/Reykjavik', '24', '11'),
  IT: row('EUR', 'Europe/Rome', '22', '10', '5', '4'),
  LI: row('CHF', 'Europe/Vaduz', '8.1', '3.8', '2.6'),
  LT: row('EUR', 'Europe/Vilnius', '21', '12', '5'),
  LU: row('EUR', 'Europe/Luxembourg', '17', '14', '8'),
  LV: row('EUR', 'Europe/Riga', '21', '12', '5'),
  MC: row('EUR', 'Europe/Monaco', '20', '10', '5.5', '2.1'),
  MT: row('EUR', 'Europe/Malta', '18', '7', '5'),
  NL: row('EUR', 'Europe/Amsterdam', '21', '9'),
  NO: row('NOK', 'Europe/Oslo', '25', '15', '12'),
  PL: row('PLN', 'Europe/Warsaw', '23', '8', '5'),
  PT: row('EUR', 'Europe/Lisbon', '23', '13', '6'),
  RO: row('RON', 'Europe/Bucharest', '21', '11'),
  SE: row('SEK', 'Europe/Stockholm', '25', '12', '6'),
  SI: row('EUR', 'Europe/Ljubljana', '22', '9.5', '5'),
  SK: row('EUR', 'Europe/Bratislava', '23', '19', '5'),
}

const german = ['AT', 'CH', 'DE', 'LI']
const french = ['FR', 'LU', 'MC']

/** What a house in this country most likely needs; every part can be changed. */
export interface Proposal {
  /** ISO 4217; empty where nothing is known of the country. */
  currency: string
  language: Language
  /** IANA name; empty where nothing is known of the country. */
  timeZone: string
  taxCodes: TaxCode[]
  terms: Terms
}

/** @param country two letters of ISO 3166-1 */
export function proposalFor(country: string): Proposal {
  const known = countries[country]
  return {
    currency: known?.currency ?? '',
    language: german.includes(country) ? 'de' : french.includes(country) ? 'fr' : 'en',
    timeZone: known?.zone ?? '',
    taxCodes: taxCodesOf(known?.rates ?? []),
    terms: { kind: 'days', days: german.includes(country) ? 14 : 30 },
  }
}

/** Long before any document of the house. */
const since: Day = '2000-01-01'

const standing = ['standard', 'reduced', 'reduced-2', 'reduced-3']

/** The tax codes of these rates, the standard rate first, and one for what is zero rated. */
export function taxCodesOf(rates: readonly string[]): TaxCode[] {
  const taxed = rates.slice(0, standing.length).map((percent, place): TaxCode => {
    const again = place > 1 ? ` ${place}` : ''
    return {
      code: standing[place]!,
      category: 'S',
      names:
        place === 0
          ? { en: 'standard rate', de: 'Normalsatz', fr: 'taux normal' }
          : { en: `reduced rate${again}`, de: `ermäßigter Satz${again}`, fr: `taux réduit${again}` },
      reasons: {},
      rates: [{ from: since, percent }],
    }
  })
  const zero: TaxCode = {
    code: 'zero',
    category: 'Z',
    names: { en: 'zero rated', de: 'Nullsatz', fr: 'taux zéro' },
    reasons: {},
    rates: [{ from: since, percent: '0' }],
  }
  return [...taxed, zero]
}
