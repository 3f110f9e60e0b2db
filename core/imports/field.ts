/** A field of a record. Its key is stable: programs that give JSON use it. */
export interface ImportField {
  key: string
  /** Its name, where it is one of the house's own. */
  own?: string
  kind: 'text' | 'email' | 'number' | 'amount' | 'day' | 'choice' | 'currency' | 'country'
  needed?: boolean
  /** Most letters of a text. */
  most?: number
  choices?: readonly string[]
  /** Column names that mean it, bare and in small letters. */
  named: readonly string[]
}

/** A field of text with so many letters at most, and the column names that mean it. */
export const text = (key: string, most: number, ...named: string[]): ImportField => ({
  key,
  kind: 'text',
  most,
  named: [key.toLowerCase(), ...named],
})
/** A field without which a record cannot be read. */
export const needed = (field: ImportField): ImportField => ({ ...field, needed: true })
/** A field of another kind than text. */
export const of = (kind: ImportField['kind'], key: string, ...named: string[]): ImportField => ({
  key,
  kind,
  named: [key.toLowerCase(), ...named],
})
/** A field with one of a few words. */
export const choice = (key: string, choices: readonly string[], ...named: string[]): ImportField => ({
  ...of('choice', key, ...named),
  choices,
})
