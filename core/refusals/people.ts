/** Signing in, and who works here. */
export const people = {
  'changed-meanwhile/staff': 'Somebody changed {staff} meanwhile. Load the page again.',
  'code-needed': 'Enter the code from your phone.',
  'day-over': 'That day is over. Choose the last day on which the token is to work.',
  'last-supervisor':
    '{staff} is the only supervisor. Make somebody else one first; without one nothing can be set up.',
  'no-such-person': 'Nobody of that name works here any more. Load the page again.',
  'no-such-session': 'You are not signed in there any more.',
  'no-such-token': 'That token does not exist.',
  'not-invited': '{staff} has taken up the invitation already.',
  'not-there': 'That does not exist, or is not of your brands.',
  'same-address': '{name} works here already with this address.',
  'whole-house':
    'This is about the whole house, and you work for some of its brands. Ask somebody who works for all.',
  'wrong-code/clock': 'The code does not fit. Wait for the next one, and check the phone’s clock.',
  'wrong-code/one-time':
    'This code does not fit, was used already, or has run out. Check it letter by letter, or get a new one.',
  'wrong-code/recovery': 'This recovery code does not fit, or was used already.',
  'wrong-code/sign-in': 'This code does not fit.',
  'wrong-code/used': 'The code does not fit, or was used already. Wait for the next one.',
  'wrong-password': 'That is not your password now.',
  'wrong-password/second-factor': 'That is not your password.',
  'wrong-password/sign-in': 'Address and password do not fit together. Try again.',
} as const
