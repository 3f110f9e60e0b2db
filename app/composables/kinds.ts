import { said } from '../words/speech'
import { capital, type DocumentKind } from '../../core/documents/kinds'

/** What a kind of document is called: "invoice", "an invoice", "invoices", and in a narrow column. */
export const kindWords = (kind: DocumentKind, form: 'plain' | 'one' | 'many' | 'short' = 'plain'): string =>
  said(`kind/${form}/${kind}`)

/** The same with its first letter raised. */
export const kindTitle = (kind: DocumentKind, form: 'plain' | 'one' | 'many' = 'plain'): string =>
  capital(kindWords(kind, form))
