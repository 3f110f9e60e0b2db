/** Words that agree with a number which stands elsewhere in their sentence. */
export const verbs = {
  is: 'is | are',
  was: 'was | were',
  has: 'has | have',
  goes: 'goes | go',
  it: 'it | them',
  customer: 'customer | customers',
} as const
