interface SourceFacts {
  /** The address of its screen in the application, with its own id and its customer's. */
  screen: `/${string}`
}

/** What documents are made of, in the order in which one may be a part of another. */
export const sources = {
  order: { screen: '/orders/{id}' },
  shipment: { screen: '/shipments/{id}' },
  return: { screen: '/shipments/returns/{id}' },
  draft: { screen: '/drafts/{id}' },
  payment: { screen: '/accounts?customer={customer}&payment={id}' },
  account: { screen: '/accounts?customer={customer}' },
} as const satisfies Record<string, SourceFacts>

export type SourceKind = keyof typeof sources

/** What a document is made of, and what that is a part of: itself, where it is no part. */
export interface SourceRef {
  sourceId: number
  sourceKind: SourceKind
  rootId: number
  rootKind: SourceKind
}

/** The screen of what a document is made of, as a path with its query. */
export const screenOf = (one: Pick<SourceRef, 'sourceId' | 'sourceKind'> & { customerId: number }): string =>
  sources[one.sourceKind].screen
    .replace('{id}', String(one.sourceId))
    .replace('{customer}', String(one.customerId))

/** The order that a document is of, or of a part of which; none for what is not of an order. */
export const orderOf = ({ rootId, rootKind }: Pick<SourceRef, 'rootId' | 'rootKind'>): number | null =>
  rootKind === 'order' ? rootId : null
