import type { SourceKind, SourceRef } from '../../core/documents/sources'

const screens: Record<SourceKind, (id: number, customerId: number) => string> = {
  order: (id) => `/orders/${id}`,
  draft: (id) => `/drafts/${id}`,
  payment: (id, customerId) => `/accounts?customer=${customerId}&payment=${id}`,
}

/** The screen of what a document is made of. */
export const sourcePath = (one: SourceRef & { customerId: number }): string =>
  screens[one.sourceKind](one.sourceId, one.customerId)

/** The order that a document is of, or of a part of which; none for what is not of an order. */
export const orderOf = ({ rootId, rootKind }: Pick<SourceRef, 'rootId' | 'rootKind'>): number | null =>
  rootKind === 'order' ? rootId : null
