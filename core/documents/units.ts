import type { Language } from '../money/format'

/** Usual units in the documents' languages, one and several. The first word of each in any language is recognised. */
const units: readonly Record<Language, readonly [one: string, several: string]>[] = [
  { en: ['pair', 'pairs'], de: ['Paar', 'Paar'], fr: ['paire', 'paires'] },
  { en: ['set', 'sets'], de: ['Satz', 'Sätze'], fr: ['jeu', 'jeux'] },
  { en: ['pack', 'packs'], de: ['Packung', 'Packungen'], fr: ['paquet', 'paquets'] },
  { en: ['case', 'cases'], de: ['Kiste', 'Kisten'], fr: ['caisse', 'caisses'] },
  { en: ['box', 'boxes'], de: ['Karton', 'Kartons'], fr: ['carton', 'cartons'] },
  { en: ['piece', 'pieces'], de: ['Stück', 'Stück'], fr: ['pièce', 'pièces'] },
  { en: ['roll', 'rolls'], de: ['Rolle', 'Rollen'], fr: ['rouleau', 'rouleaux'] },
  { en: ['bag', 'bags'], de: ['Beutel', 'Beutel'], fr: ['sac', 'sacs'] },
  { en: ['bottle', 'bottles'], de: ['Flasche', 'Flaschen'], fr: ['bouteille', 'bouteilles'] },
  { en: ['jar', 'jars'], de: ['Glas', 'Gläser'], fr: ['pot', 'pots'] },
  { en: ['sheet', 'sheets'], de: ['Blatt', 'Blätter'], fr: ['feuille', 'feuilles'] },
  { en: ['hour', 'hours'], de: ['Stunde', 'Stunden'], fr: ['heure', 'heures'] },
  { en: ['day', 'days'], de: ['Tag', 'Tage'], fr: ['jour', 'jours'] },
  { en: ['month', 'months'], de: ['Monat', 'Monate'], fr: ['mois', 'mois'] },
  { en: ['kit', 'kits'], de: ['Bausatz', 'Bausätze'], fr: ['kit', 'kits'] },
  { en: ['dozen', 'dozen'], de: ['Dutzend', 'Dutzend'], fr: ['douzaine', 'douzaines'] },
]

const known = new Map(
  units.flatMap((unit) =>
    Object.values(unit).flatMap((words) => words.map((word) => [word.toLowerCase(), unit] as const)),
  ),
)

/**
 * A unit in the document's language: "10 pair" becomes "10 Paar". One that is not known, or a sign like kg,
 * stays as it is.
 */
export function unitWords(unit: string, quantity: string, language: Language): string {
  const found = known.get(unit.trim().toLowerCase())
  if (!found) return unit
  const amount = Math.abs(Number(quantity))
  // French counts everything below two as one (CLDR plural rules)
  const single = language === 'fr' ? amount < 2 : amount === 1
  return found[language][single ? 0 : 1]
}
