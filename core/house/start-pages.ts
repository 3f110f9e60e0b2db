/** Where a person may begin after signing in, with its name on the screen. */
export const startPages = {
  '/': 'Line',
  '/orders': 'Orders',
  '/orders/new': 'New order',
  '/register': 'Register',
  '/accounts': 'Accounts',
  '/reconciliation': 'Reconciliation',
  '/routines': 'Routines',
  '/company': 'Settings',
} as const
export type StartPage = keyof typeof startPages

/** Where a role begins that has chosen nothing: who only looks begins with what was issued. */
export const startOfRole: Readonly<Record<'reader' | 'clerk' | 'supervisor', StartPage>> = {
  reader: '/register',
  clerk: '/',
  supervisor: '/',
}
