import { useDebounceFn } from '@vueuse/core'
import { attempt } from './api'
import { useNewest } from './useNewest'
import { fetchOptions, findItems } from '../calls/items'
import type { ItemOption } from '../../core/items/options'
import type { Language } from '../../core/money/format'
import type { LineEdit } from '../contract'

type FoundItem = Awaited<ReturnType<typeof findItems>>[number]

/**
 * Items for the lines of an order, by number or words. A line takes name, unit, price and VAT of the item that it
 * names; what somebody wrote themselves stays.
 * @param language of the document
 * @param currency of the order
 * @param customerId who buys: prices of its group and its own numbers hold
 */
export function useItemLookup(
  language: () => Language,
  currency: () => string,
  customerId: () => number | undefined = () => undefined,
) {
  const found = shallowRef<FoundItem[]>([])
  const known = new Map<string, FoundItem>()
  const newest = useNewest()

  /** What was found is known from then on; what is offered is the answer to the newest question. */
  async function search(text: string): Promise<void> {
    await attempt(async () => {
      const answer = await newest(() => (text.trim() ? find(text.trim()) : Promise.resolve([])))
      if (answer) found.value = answer
    })
  }
  async function find(text: string): Promise<FoundItem[]> {
    const customer = customerId()
    const items = await findItems({
      search: text,
      language: language(),
      currency: currency(),
      ...(customer ? { customerId: customer } : {}),
    })
    for (const item of items) {
      known.set(item.code.toLowerCase(), item)
      if (item.customerCode) known.set(item.customerCode.toLowerCase(), item)
    }
    return items
  }
  const searchSoon = useDebounceFn(search, 150)

  /** What can be chosen of items, by number in lower case. */
  const options = shallowRef(new Map<string, ItemOption[]>())
  const learn = (found: readonly { code: string; options: ItemOption[] }[]) => {
    options.value = new Map([
      ...options.value,
      ...found.map((one) => [one.code.toLowerCase(), one.options] as const),
    ])
  }
  const optionsOf = (code: string) => options.value.get(code.trim().toLowerCase()) ?? []
  /** For the lines that are there already. */
  async function learnOf(codes: readonly string[]): Promise<void> {
    const asked = [...new Set(codes)].filter(Boolean)
    if (asked.length > 0)
      await attempt(async () => learn((await fetchOptions({ codes: asked, language: language() })).items))
  }

  /** Asked for itself: what is typed meanwhile and looked up for the list takes nothing from it. */
  async function named(code: string): Promise<FoundItem | undefined> {
    let items: FoundItem[] = []
    await attempt(async () => {
      items = await find(code)
    })
    return known.get(code) ?? (items.length === 1 ? items[0] : undefined)
  }
  /** Fills a line with the item that it names. @returns whether there is one */
  async function fill(line: LineEdit): Promise<boolean> {
    const code = line.item.trim().toLowerCase()
    if (!code) return false
    const item = known.get(code) ?? (await named(code))
    if (!item) return false
    learn([item])
    const isOurs = [...known.values()].some((one) => one.name === line.description)
    line.item = item.code
    if (line.description.trim() && !isOurs) return true
    const priced = item.price === null ? {} : { unitPrice: item.price }
    const detail = item.customerCode ? yourNumber(item.customerCode, language()) : null
    Object.assign(line, { description: item.name, unit: item.unit, taxCode: item.taxCode, detail, ...priced })
    return true
  }
  return { found, searchSoon, fill, optionsOf, learnOf }
}

/** The customer's own number as documents say it. */
const yourNumber = (code: string, language: string) =>
  ({ de: `Ihre Nr. ${code}`, fr: `Votre réf. ${code}` })[language] ?? `Your no. ${code}`
