import { Refusal } from '../errors'
import type { Language } from '../money/format'
import { told } from '../said/told'
import type { CustomerFacts } from './facts'

/**
 * How a supply is taxed. All but "domestic" carry no tax, and the paper says why in its language
 * (Directive 2006/112/EC, article 226 points 11 and 11a).
 */
export const treatments = [
  'domestic',
  'reverse charge',
  'intra-Community supply',
  'export',
  'exempt',
] as const
export type TaxTreatment = (typeof treatments)[number]

/** Percent by tax code as it is charged: none unless the supply is domestic. */
export function ratesFor(
  rates: Readonly<Record<string, string>>,
  treatment: TaxTreatment,
): Record<string, string> {
  return Object.fromEntries(
    Object.entries(rates).map(([code, rate]) => [code, treatment === 'domestic' ? rate : '0']),
  )
}

/** Whether the buyer's VAT number must stand on the paper (article 226 point 4). */
export const needsTaxNumber = (treatment: TaxTreatment) =>
  treatment === 'reverse charge' || treatment === 'intra-Community supply'

/** @throws Refusal "no-tax-number" where the buyer's VAT number is missing */
export function checkTreatment(
  customer: Pick<CustomerFacts, 'number' | 'name' | 'taxNumber' | 'treatment'>,
): void {
  if (!needsTaxNumber(customer.treatment ?? 'domestic') || customer.taxNumber?.trim()) return
  throw new Refusal('no-tax-number', {
    values: {
      customer: customer.name,
      supply: told(
        customer.treatment === 'reverse charge' ? 'supply/reverse charge' : 'supply/intra-Community supply',
      ),
    },
    about: { record: { kind: 'customer', id: customer.number, label: customer.name } },
  })
}

/** What the paper must say, by language. */
export const treatmentWords: Readonly<Record<Exclude<TaxTreatment, 'domestic'>, Record<Language, string>>> = {
  'reverse charge': {
    en: 'Reverse charge: VAT is to be accounted for by the recipient (article 196 of Directive 2006/112/EC).',
    de: 'Steuerschuldnerschaft des Leistungsempfängers (Artikel 196 der Richtlinie 2006/112/EG).',
    fr: 'Autoliquidation : la TVA est due par le preneur (article 196 de la directive 2006/112/CE).',
  },
  'intra-Community supply': {
    en: 'VAT-exempt intra-Community supply (article 138 of Directive 2006/112/EC).',
    de: 'Steuerfreie innergemeinschaftliche Lieferung (Artikel 138 der Richtlinie 2006/112/EG).',
    fr: 'Livraison intracommunautaire exonérée de TVA (article 138 de la directive 2006/112/CE).',
  },
  export: {
    en: 'VAT-exempt export supply (article 146 of Directive 2006/112/EC).',
    de: 'Steuerfreie Ausfuhrlieferung (Artikel 146 der Richtlinie 2006/112/EG).',
    fr: 'Livraison à l’exportation exonérée de TVA (article 146 de la directive 2006/112/CE).',
  },
  exempt: {
    en: 'Exempt from VAT (article 132 of Directive 2006/112/EC).',
    de: 'Steuerfreie Leistung (Artikel 132 der Richtlinie 2006/112/EG).',
    fr: 'Opération exonérée de TVA (article 132 de la directive 2006/112/CE).',
  },
}
