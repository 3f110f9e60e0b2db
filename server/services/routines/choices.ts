/** What the words of a sentence can be, out of the house's own records. */
export interface RoutineChoices {
  statuses: string[]
  /** The house's own fields of orders, and of customers for routines about accounts. */
  fields: string[]
  customerFields: string[]
  roles: string[]
  /** Services of carriers, by name. */
  services: string[]
  groups: string[]
  countries: string[]
  salespersons: string[]
  currencies: string[]
  brands: { value: string; words: string }[]
  /** The first of them; the pickers search further. */
  customers: { value: string; words: string }[]
  items: { value: string; words: string }[]
}
