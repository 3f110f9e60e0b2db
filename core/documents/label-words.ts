import type { Language } from '../money/format'

/** The fixed words of shipping labels and of what their email says. */
export interface LabelWordList {
  parcel: string
  weight: string
  tracking: string
  labels: string
}

export const labelWords: Readonly<Record<Language, LabelWordList>> = {
  en: { parcel: 'Parcel', weight: 'Weight', tracking: 'Tracking number', labels: 'Labels' },
  de: { parcel: 'Paket', weight: 'Gewicht', tracking: 'Sendungsnummer', labels: 'Etiketten' },
  fr: { parcel: 'Colis', weight: 'Poids', tracking: 'Numéro de suivi', labels: 'Étiquettes' },
}
