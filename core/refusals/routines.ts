/** Routines and their sentences. */
export const routines = {
  'bad-sentence/address': '“{address}” is not an email address. Write one like name@house.example.',
  'bad-sentence/amount': 'Write the amount like 500 or 500.00.',
  'bad-sentence/days': 'Write the days like 30.',
  'bad-sentence/delay': 'A document waits 0 minutes to 30 days.',
  'bad-sentence/empty': 'The condition about the {about} names nothing. Choose at least one, or take it out.',
  'bad-sentence/field': 'Choose the order field that is meant.',
  'bad-sentence/hours': 'Sending hours begin before they end, like 08:00 to 17:00.',
  'bad-sentence/kind': '{kind} is not what a routine makes of that event.',
  'bad-sentence/no-status': 'The routine has no status to wait for. Choose one.',
  'bad-sentence/no-time': 'Say at which time it has its turn, like 07:00.',
  'bad-sentence/of-account': 'An account has no such thing. Take this condition out, or ask for its balance.',
  'bad-sentence/of-order':
    'Only an account has a balance, and items that are late. Take this condition out, or ask for the total.',
  'bad-sentence/label-rehearsal':
    'Labels are bought or not: they cannot be rehearsed. Take the rehearsal out.',
  'bad-sentence/nobody': 'Enter at least one address that it is written to.',
  'bad-sentence/posted-rehearsal':
    'What is posted is issued already, and cannot be rehearsed. Let the routine go for real.',
  'bad-sentence/role': 'There is no contact role “{role}”. There are {roles}.',
  'bad-sentence/status': "“{status}” is not a status of the house's orders.",
  'bad-sentence/which-day': 'Choose the day: of a week Monday to Sunday, of a month 1 to 31.',
  'bad-sentence/value': 'Say what the field “{field}” must hold.',
  'changed-meanwhile/routine': 'Somebody changed “{name}” meanwhile. Load it again.',
  'no-such-routine': 'That routine does not exist.',
  'nothing-missed': 'None of these still lacks its {issue}. Look again.',
  'same-name/routine': 'There is already a routine “{name}”. Choose another name.',
  'unknown-trust': 'Trust is by hand, after a check or by itself.',
} as const
