/** What is wrong with a call of the API itself. */
export const calls = {
  'bad-input': '{words}',
  'bad-json': 'The request could not be read.',
  'bad-key': 'An idempotency key is 8 to 100 letters, digits, hyphens or underscores.',
  'bad-page': 'That page does not exist. Load the list again.',
  'bad-value': 'A value is out of range or cannot be read. Check what was sent.',
  'call-unclear':
    'A call with this key began and gave no answer. Look whether it did its work, then call with a new key.',
  'key-used-otherwise': 'This idempotency key was used for another call. Give every call its own key.',
  'no-length': 'Say the length of the body (Content-Length).',
  'no-such-path': 'There is nothing at this address.',
  'not-allowed': 'Only the person can do that, signed in.',
  'not-allowed/role': 'Only a {least} may do this. You are signed in as a {role}.',
  'not-signed-in': 'Sign in first.',
  'other-origin': 'This request came from another page.',
  'password-needed': 'Enter your password again to do this.',
  'too-large': 'The request is larger than the {most} kB that this takes.',
  'no-such-method': 'This address does not take that method.',
  refused: 'That cannot be answered.',
  trouble:
    'That did not work because of a fault in Clothespin, and nothing was changed. Tell your IT person this number: {number}.',
  'too-many-calls': 'Too many calls. Try again in {seconds} seconds.',
  'too-many-tries': 'Too many tries. Wait {minutes} minutes, then try again.',
} as const
