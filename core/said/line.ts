/** What a stage of the Line holds, beneath its count. */
export const line = {
  'fact/due': '{n} not made',
  'fact/back': '{n} returned',
  'fact/undelivered': '{n} issued, not sent',
  'fact/asked': '{n} asked for',
  'fact/keptBack': '{n} could not go',
  'fact/incomplete': '{n} not complete',
  'fact/stopped': '{n} of held orders',
  'fact/changed': '{n} changed',
  'fact/printQueue': '{n} to print',
  'fact/held': '{n} held',
  'fact/today': 'today',
  'fact/posted': '{n} on paper',
  'fact/stuck': '{n} {cause}',
} as const
