/** Where a person may begin after signing in. */
export const startPages = [
  '/',
  '/orders',
  '/orders/new',
  '/register',
  '/accounts',
  '/reconciliation',
  '/routines',
  '/company',
] as const
export type StartPage = (typeof startPages)[number]

/** Where a role begins that has chosen nothing: who only looks begins with what was issued. */
export const startOfRole: Readonly<Record<'reader' | 'clerk' | 'supervisor', StartPage>> = {
  reader: '/register',
  clerk: '/',
  supervisor: '/',
}
