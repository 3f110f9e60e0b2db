import type { PreparedView } from '../../contract'

const settings = (part: string, { brandId, kind }: PreparedView, rest: Record<string, string>) =>
  `/company?${new URLSearchParams({ part, brand: String(brandId), kind, ...rest })}`

/** Where the email text of a document is changed for all that have it. */
export const textForAll = (view: PreparedView): string =>
  settings('Email text', view, { language: view.textLanguage, variant: String(view.textVariantId ?? 0) })

/** Where its design is. */
export const designForAll = (view: PreparedView): string =>
  settings('Design', view, { variant: String(view.designVariantId ?? 0) })

/** Where is said how the documents of its customer go. */
export const deliveryOf = ({ customerId, customerName }: PreparedView): string =>
  `/customers?${new URLSearchParams({ search: customerName, in: String(customerId) })}`
