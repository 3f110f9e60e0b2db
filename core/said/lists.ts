/** How several things are said as one. */
export const lists = {
  'list/one': '{first}',
  'list/and-no': '{first} and no {rest}',
  'list/and': '{first} and {rest}',
  'list/or': '{first} or {rest}',
  'list/comma': '{first}, {rest}',
  'list/semicolon': '{first}; {rest}',
  'list/sentences': '{first} {rest}',
} as const
