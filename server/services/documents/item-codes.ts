import { namesOf } from '../../../core/designs/supplied'
import type { PaperContext } from './paper-context'
import { codesOfItems } from './item-codes-queries'

/*
 * What items are called by customers and by their bar codes, for documents whose design names them so. Called where
 * documents are made, whatever they are of: one statement for all of them, none where no design asks for it.
 */

/** The same with what else the items of their lines are called. */
export async function withItemCodes(
  contexts: ReadonlyMap<number, PaperContext>,
): Promise<ReadonlyMap<number, PaperContext>> {
  const asking = [...contexts.values()].filter(({ design }) =>
    ['customer', 'gtin'].includes(namesOf(design.design)),
  )
  if (asking.length === 0) return contexts
  const pairs = asking.flatMap(({ customerId, source }) =>
    source.order.lines.filter(({ item }) => item !== '').map(({ item }) => ({ customerId, item })),
  )
  const found = await codesOfItems(pairs)
  const codes = new Map(found.map(({ customerId, item, ...one }) => [`${customerId} ${item}`, one]))
  return new Map(
    [...contexts].map(([id, context]) => {
      if (!asking.includes(context)) return [id, context]
      const lines = context.source.order.lines.map((line) => {
        const own = codes.get(`${context.customerId} ${line.item}`)
        return own ? { ...line, codes: own } : line
      })
      const order = { ...context.source.order, lines }
      return [id, { ...context, source: { ...context.source, order } }]
    }),
  )
}
