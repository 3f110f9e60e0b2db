import type { Language } from './money/format'

/**
 * Countries and territories of ISO 3166-1 by their two letters, with Kosovo's XK; their names are those of
 * the Unicode CLDR, which the
 * platform carries. A country is kept by its two letters; people read its name.
 */
const codes = (
  'AD AE AF AG AI AL AM AO AQ AR AS AT AU AW AX AZ BA BB BD BE BF BG BH BI BJ BL BM BN BO BQ BR BS ' +
  'BT BV BW BY BZ CA CC CD CF CG CH CI CK CL CM CN CO CR CU CV CW CX CY CZ DE DJ DK DM DO DZ EC EE ' +
  'EG EH ER ES ET FI FJ FK FM FO FR GA GB GD GE GF GG GH GI GL GM GN GP GQ GR GS GT GU GW GY HK HM ' +
  'HN HR HT HU ID IE IL IM IN IO IQ IR IS IT JE JM JO JP KE KG KH KI KM KN KP KR KW KY KZ LA LB LC ' +
  'LI LK LR LS LT LU LV LY MA MC MD ME MF MG MH MK ML MM MN MO MP MQ MR MS MT MU MV MW MX MY MZ NA ' +
  'NC NE NF NG NI NL NO NP NR NU NZ OM PA PE PF PG PH PK PL PM PN PR PS PT PW PY QA RE RO RS RU RW ' +
  'SA SB SC SD SE SG SH SI SJ SK SL SM SN SO SR SS ST SV SX SY SZ TC TD TF TG TH TJ TK TL TM TN TO ' +
  'TR TT TV TW TZ UA UG UM US UY UZ VA VC VE VG VI VN VU WF WS XK YE YT ZA ZM ZW'
).split(' ')

const names: Readonly<Record<Language, Intl.DisplayNames>> = {
  en: new Intl.DisplayNames('en', { type: 'region' }),
  de: new Intl.DisplayNames('de', { type: 'region' }),
  fr: new Intl.DisplayNames('fr', { type: 'region' }),
}

/** What people read for a country's two letters; what is no country's letters stays as it is written. */
export const countryName = (code: string, language: Language = 'en'): string =>
  /^[A-Z]{2}$/.test(code) ? names[language].of(code)! : code

/** The names that are offered, in alphabetical order. */
export const countryNames: readonly string[] = codes
  .map((code) => countryName(code))
  .sort((a, b) => a.localeCompare(b, 'en'))

/** Without case, accents, full stops and the difference of & and and. */
const folded = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}|\./gu, '')
    .replace(/’/g, "'")
    .replace(/\s*&\s*/g, ' and ')
    .trim()
    .toLowerCase()

/** What people write that no CLDR name says. */
const others: Record<string, string> = {
  UK: 'GB',
  'Great Britain': 'GB',
  USA: 'US',
  'Czech Republic': 'CZ',
  Holland: 'NL',
  Turkey: 'TR',
  Swaziland: 'SZ',
}

const byWords = new Map<string, string>([
  ...(['fr', 'de', 'en'] as const).flatMap((language) =>
    codes.map((code): [string, string] => [folded(countryName(code, language)), code]),
  ),
  ...Object.entries(others).map(([words, code]): [string, string] => [folded(words), code]),
  ...codes.map((code): [string, string] => [code.toLowerCase(), code]),
])

/**
 * The two letters of what somebody wrote: letters, or a name in English, German or French; undefined where
 * that is no country.
 */
export const countryOf = (text: string): string | undefined => byWords.get(folded(text))
