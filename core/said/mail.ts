/** What to do where a mail account cannot be used. */
export const mail = {
  'mail/connect': 'Check server, port and encryption: 587 goes with STARTTLS, 465 with TLS.',
  'mail/sign-in': 'Check user and password. Some providers want a password made for programs.',
  'mail/send':
    'The account may not send for this address. Check the sender address of the brand with your provider.',
  'mail/certificate':
    'The server does not prove who it is: its certificate is expired or made for another name. Check the server’s name, or ask whoever runs it.',
} as const
