import { documentKinds, kindFacts, type DocumentKind } from '../documents/kinds'

/*
 * What a kind of document is called stands in its own file (core/documents/kinds), in three forms: "invoice",
 * "an invoice", "invoices"; and short, for a narrow column.
 */

type Form = 'plain' | 'one' | 'many' | 'short'

const formsOf = (kind: DocumentKind): Record<Form, string> => {
  const { one, many, short } = kindFacts[kind]
  return { plain: kind, one, many, short }
}

/** What each kind of document is called, by form and kind. */
export const kinds = Object.fromEntries(
  documentKinds.flatMap((kind) =>
    Object.entries(formsOf(kind)).map(([form, words]) => [`kind/${form}/${kind}`, words]),
  ),
) as Record<`kind/${Form}/${DocumentKind}`, string>
