/** What documents are made of, in the order in which one may be a part of another. */
export const sourceKinds = ['order', 'draft', 'payment'] as const
export type SourceKind = (typeof sourceKinds)[number]

/** What each is called in a sentence. */
export const sourceWords: Readonly<Record<SourceKind, string>> = {
  order: 'an order',
  draft: 'a draft',
  payment: 'a payment',
}

/** What a document is made of, and what that is a part of: itself, where it is no part. */
export interface SourceRef {
  sourceId: number
  sourceKind: SourceKind
  rootId: number
  rootKind: SourceKind
}
