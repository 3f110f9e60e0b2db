import type { Language } from '../money/format'

/** The fixed words of customs invoices. */
export interface CustomsWordList {
  commodityCode: string
  origin: string
  /** "2.5 kg each, 5 kg". */
  weight: (each: string, all: string) => string
  unitValue: string
  value: string
  netWeight: string
  grossWeight: string
  totalValue: (currency: string) => string
  receiver: string
  onlyForCustoms: string
}

export const customsWords: Readonly<Record<Language, CustomsWordList>> = {
  en: {
    commodityCode: 'Commodity code',
    origin: 'origin',
    weight: (each, all) => `${each}\u00A0kg each, ${all}\u00A0kg`,
    unitValue: 'Unit value',
    value: 'Value',
    netWeight: 'Net weight, kg',
    grossWeight: 'Gross weight, kg',
    totalValue: (currency) => `Total value, ${currency}`,
    receiver: 'Tax number of the receiver',
    onlyForCustoms: 'For customs only: goods sold. Nothing is to be paid on this document.',
  },
  de: {
    commodityCode: 'Warennummer',
    origin: 'Ursprung',
    weight: (each, all) => `je ${each}\u00A0kg, ${all}\u00A0kg`,
    unitValue: 'Einzelwert',
    value: 'Wert',
    netWeight: 'Nettogewicht, kg',
    grossWeight: 'Bruttogewicht, kg',
    totalValue: (currency) => `Gesamtwert, ${currency}`,
    receiver: 'Steuernummer des Empfängers',
    onlyForCustoms: 'Nur für den Zoll: verkaufte Ware. Auf dieses Dokument ist nichts zu zahlen.',
  },
  fr: {
    commodityCode: 'Code douanier',
    origin: 'origine',
    weight: (each, all) => `${each}\u00A0kg pièce, ${all}\u00A0kg`,
    unitValue: 'Valeur unitaire',
    value: 'Valeur',
    netWeight: 'Poids net, kg',
    grossWeight: 'Poids brut, kg',
    totalValue: (currency) => `Valeur totale, ${currency}`,
    receiver: 'Numéro fiscal du destinataire',
    onlyForCustoms: 'Pour la douane uniquement : marchandises vendues. Rien n’est à payer sur ce document.',
  },
}
