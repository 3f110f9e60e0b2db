/** What accounts are narrowed by, each as it is where it narrows nothing; a saved filter keeps these. */
export const narrowing = {
  search: '',
  only: '',
  group: '',
  salesperson: '',
  country: '',
  overdueOver: '',
  balanceOver: '',
  lateOver: '',
  brand: '',
  notStatedFor: '',
  notRemindedFor: '',
  field: '',
  fieldHolds: '',
}

export type Narrowing = typeof narrowing

export const narrowingNames = Object.keys(narrowing) as (keyof Narrowing)[]
