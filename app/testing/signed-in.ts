import { createPinia, setActivePinia, type Pinia } from 'pinia'
import type { Language } from '../../core/money/format'
import { useSession, type SignedIn } from '../stores/session'

const company = {
  name: 'Tansy Hollow',
  timeZone: 'Europe/Dublin',
  orderStatuses: ['Draft', 'Confirmed', 'Packed', 'Shipped', 'Held', 'Withdrawn'],
  statusSteps: {},
  kindsOff: [],
  contactRoles: ['billing', 'buying', 'goods-in'],
  taxRates: { standard: '23', none: '0' },
  currency: 'EUR',
  country: 'IE',
  language: 'en' as Language,
  smallDifference: '0.05',
  linksLead: true,
  editableFiles: false,
}

/** Stores of their own with somebody signed in at a small house; active from now on. */
export function signedIn(role: SignedIn['role'] = 'clerk', change: Partial<typeof company> = {}): Pinia {
  const pinia = createPinia()
  setActivePinia(pinia)
  const session = useSession()
  session.user = { id: 1, name: 'Bo Sallow', email: 'bo@house.example', role }
  session.house = {
    company: { ...company, ...change },
    brands: [{ id: 1, code: 'TH', name: 'Tansy Hollow', retired: false }],
    variants: [],
    startPage: '/',
    ownFields: [],
    mailboxesUrl: '',
  }
  return pinia
}
