/** Words of list. */
export const list = {
  // list/AmountPicker.vue
  overValue: 'over {value}',
  anyAmount: 'any amount',
  amountValue: 'Amount: {value}',
  any: 'any',
  leastAmount: 'Least amount',
  overTyped: 'over {typed}',
  show: 'Show',
  anAmountLike500Or: 'An amount like 500 or 12.50.',

  // list/ColumnHeads.vue
  nowFalling: ', now falling',
  nowRising: ', now rising',
  sortByColumnSort: 'Sort by {column}{sort}',

  // list/ManyList.vue
  labelTypeToNarrow: '{label}, type to narrow',
  nothingOfThatName: 'Nothing of that name.',

  // list/RowList.vue
  groupGroup: 'group {group}',
  rowId: 'row {id}',
  pickAllOfGroup: 'Pick all of {group}',
} as const
