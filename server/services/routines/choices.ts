import { one, rows } from '../../db/connection'
import { company } from '../house/house'
import { buysWithin, theHouse, within } from '../people/principal'

/** What the words of a sentence can be, out of the house's own records. */
export interface RoutineChoices {
  statuses: string[]
  fields: string[]
  groups: string[]
  countries: string[]
  salespersons: string[]
  currencies: string[]
  brands: { value: string; words: string }[]
  /** The first of them; the pickers search further. */
  customers: { value: string; words: string }[]
  items: { value: string; words: string }[]
}

const most = 2000

export async function routineChoices(who = theHouse): Promise<RoutineChoices> {
  const { orderStatuses, orderFields } = await company()
  const found = (await one<Pick<RoutineChoices, 'groups' | 'countries' | 'currencies' | 'salespersons'>>(`
    select
      (select coalesce(jsonb_agg(distinct group_name), '[]') from customer where group_name <> '') groups,
      (select coalesce(jsonb_agg(distinct country), '[]') from customer where country <> '') countries,
      (select coalesce(jsonb_agg(distinct currency), '[]') from customer) currencies,
      (
        select coalesce(jsonb_agg(distinct salesperson), '[]') from customer where salesperson <> ''
      ) salespersons`))!
  return {
    ...found,
    statuses: orderStatuses,
    fields: orderFields,
    brands: await rows(`select code value, name words from brand where ${within(who, 'id')} order by id`),
    customers: await rows(
      `select number value, name || ' (' || number || ')' words
      from customer
      where ${buysWithin(who, 'id')}
      order by name, id
      limit ${most}`,
    ),
    items: await rows(
      `select code value, code || ' ' || coalesce(names ->> 'en', '') words
      from item
      order by code
      limit ${most}`,
    ),
  }
}
