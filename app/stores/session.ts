import type { OwnFieldFacts } from '../../core/fields/own-fields'
import type { DocumentKind } from '../../core/documents/kinds'
import type { Language } from '../../core/money/format'
import type { StatusSteps } from '../../core/orders/statuses'
import { api } from '../composables/api'
import { useLiveStore } from './live'
export interface SignedIn {
  id: number
  name: string
  email: string
  role: 'reader' | 'clerk' | 'supervisor'
}

type Begun = 'nobody' | 'no company' | 'no brand' | 'ready'

interface House {
  company: {
    name: string
    timeZone: string
    orderStatuses: string[]
    /** Which statuses may follow a status; one that is not named may be followed by any. */
    statusSteps: StatusSteps
    /** Kinds of document that the house does not use. */
    kindsOff: DocumentKind[]
    contactRoles: string[]
    taxRates: Record<string, string>
    currency: string
    country: string
    language: Language
    smallDifference: string
    /** The house has said under which address it is reached: links in emails lead there. */
    linksLead: boolean
    /** Customers who want it get what books nothing as a text that can be edited. */
    editableFiles: boolean
  }
  /** A retired one is found and filtered by; nothing new begins with it. */
  brands: { id: number; code: string; name: string; retired: boolean }[]
  /** Email texts and designs for some customers; what is retired nobody gets any more. */
  variants: { id: number; name: string; retired: boolean }[]
  /** Where this person begins. */
  startPage: string
  /** Fields of the house's own. */
  ownFields: OwnFieldFacts[]
  mailboxesUrl: string
}

/** Who is signed in, and what every page needs to know of the house. */
export const useSession = defineStore('session', () => {
  const user = ref<SignedIn | null>(null)
  const house = ref<House | null>(null)
  const known = ref(false)
  /** How far the first visit of the house has come. */
  const begun = ref<Begun>('ready')
  /** The first visit goes on after the brand is there: numbers and mail account. */
  const welcome = ref(false)
  const setsUp = computed(() => begun.value !== 'ready' || welcome.value)

  async function load(): Promise<void> {
    const answer = await api.get('/api/session')
    const hasCompany = answer.begun === 'no brand' || answer.begun === 'ready'
    house.value = answer.user && hasCompany ? await api.get('/api/house') : null
    begun.value = answer.begun
    user.value = answer.user
    known.value = true
  }

  async function signIn(email: string, password: string, code = ''): Promise<void> {
    await api.post('/api/session', { body: { email, password, code } })
    await load()
    if (useRoute().path === '/') await goToStart()
  }

  /** Where this person begins; an address that somebody opened stays. */
  async function goToStart(): Promise<void> {
    await navigateTo(house.value?.startPage ?? '/', { replace: true })
  }

  async function signOut(): Promise<void> {
    await api.delete('/api/session')
    user.value = null
    house.value = null
    welcome.value = false
    useLiveStore().close()
  }

  const may = (role: 'clerk' | 'supervisor') =>
    user.value?.role === 'supervisor' || (role === 'clerk' && user.value?.role === 'clerk')
  const brandName = (code: string) => house.value?.brands.find((brand) => brand.code === code)?.name ?? code
  return { user, house, known, begun, welcome, setsUp, load, signIn, goToStart, signOut, may, brandName }
})
