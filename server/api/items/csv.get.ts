import { languages } from '../../../core/money/format'
import { optionsLine } from '../../../core/items/options'
import { Joi, text } from '../../http/checks'
import { csvAnswer, csvPages } from '../../http/csv'
import { route } from '../../http/route'
import { ownFields } from '../../services/fields/own-fields'
import { listItems, type ItemRow } from '../../services/items/queries'

const facts = [
  'code',
  'unit',
  'price',
  'taxCode',
  'gtin',
  'weight',
  'size',
  'commodityCode',
  'origin',
  'place',
  'category',
] as const

/** Items as CSV, with their names and the house's own fields. */
export default route<object, { search: string }>(
  { role: 'reader', brands: 'none', query: Joi.object({ search: text(60).allow('').default('') }) },
  async ({ event, query }) => {
    const own = (await ownFields('item')).map(({ name }) => name)
    return csvAnswer(
      event,
      'items',
      csvPages<ItemRow, Record<string, string>>(
        [...facts, 'options', ...languages.map((one) => `name ${one}`), ...own],
        (place) => listItems({ ...query, ...place }),
        (row) => ({
          ...Object.fromEntries(own.map((name) => [name, row.fields[name] ?? ''])),
          ...Object.fromEntries(facts.map((fact) => [fact, row[fact] ?? ''])),
          options: optionsLine(row.options),
          ...Object.fromEntries(languages.map((one) => [`name ${one}`, row.names[one] ?? ''])),
        }),
      ),
    )
  },
)
