/** What troubles the house, on every screen until it is over. */
export const state = {
  'state/no-worker':
    'No worker is running: nothing is prepared, issued or sent. Start it again; nothing is lost meanwhile.',
  'state/slow': 'Some work waits longer than five minutes. Is the worker overloaded or the mail server slow?',
  'state/mail-away':
    'The mail server is away: {emails} emails wait and are tried again by themselves. ({reply})',
  'state/mail-away-one': 'The mail server is away: 1 email waits and is tried again by itself. ({reply})',
  'state/paced':
    'The mail account “{account}” takes no more for now: {emails} emails wait more than an hour for their turn.',
  'state/paced-one':
    'The mail account “{account}” takes no more for now: 1 email waits more than an hour for its turn.',
  'state/carrier-down':
    'The carrier {carrier} does not answer: {labels} labels wait and are asked for again by themselves.',
  'state/carrier-down-one':
    'The carrier {carrier} does not answer: 1 label waits and is asked for again by itself.',
  'state/certificate-ends':
    'The certificate of the mail server of “{account}” ends on {day}; from then on no email could go. Ask whoever runs the server to renew it.',
  'state/certificate-ended':
    'The certificate of the mail server of “{account}” ended on {day}. Ask whoever runs the server to renew it.',
  'state/disk':
    'Only {megabytes} MB are left on the disk of this machine. Make room before it is full: then nothing could be issued or sent.',

  'pause/not-set-up': 'The set-up is not finished.',
  'pause/copied': 'This database was copied or restored.',
  'pause/confirmed': 'Confirmed after a restore; not resumed yet.',
} as const
