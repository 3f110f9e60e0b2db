import { lifecycle } from '../lifecycle'

/** A movement of a bank file: matched in three degrees, booked after a look, or set aside as none of ours. */
export const movementStates = ['sure', 'unsure', 'strange', 'to book', 'booked', 'set aside'] as const
export type MovementState = (typeof movementStates)[number]

/** What happens to a movement. */
export type MovementEvent =
  | 'say go' /* a person looked at a sure one */
  | 'book' /* its payment is booked, as matched or as a person decided */
  | 'find in the way' /* it could not be booked any more */
  | 'set aside' /* a person says that it is none of ours */
  | 'match sure' /* matched once more, with what is open now */
  | 'match unsure'
  | 'match strange'

const matched = {
  'set aside': 'set aside',
  book: 'booked',
  'match sure': 'sure',
  'match unsure': 'unsure',
  'match strange': 'strange',
} as const

export const movementLifecycle = lifecycle<MovementState, MovementEvent>({
  sure: { ...matched, 'say go': 'to book' },
  unsure: { ...matched },
  strange: { ...matched },
  'to book': { book: 'booked', 'find in the way': 'unsure' },
  'set aside': { book: 'booked' },
  booked: {},
})

/** A file of the bank, while its movements are read from it. */
export type BankFileState = 'reading' | 'ready' | 'refused'

export const bankFileLifecycle = lifecycle<BankFileState, 'end reading' | 'refuse'>({
  reading: { 'end reading': 'ready', refuse: 'refused' },
  ready: {},
  refused: {},
})
