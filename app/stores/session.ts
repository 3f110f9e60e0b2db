import { api } from '../composables/api'
import { useLiveStore } from './live'
export interface SignedIn {
  id: number
  name: string
  email: string
  role: 'reader' | 'clerk' | 'supervisor'
}

interface House {
  company: {
    name: string
    timeZone: string
    orderStatuses: string[]
    orderFields: string[]
    taxRates: Record<string, string>
    currency: string
    country: string
    smallDifference: string
  }
  brands: { id: number; code: string; name: string }[]
  mailboxesUrl: string
}

/** Who is signed in, and what every page needs to know of the house. */
export const useSession = defineStore('session', () => {
  const user = ref<SignedIn | null>(null)
  const house = ref<House | null>(null)
  const known = ref(false)

  async function load(): Promise<void> {
    const answer = await api.get('/api/session')
    house.value = answer.user ? await api.get('/api/house') : null
    user.value = answer.user
    known.value = true
  }

  async function signIn(email: string, password: string): Promise<void> {
    await api.post('/api/session', { body: { email, password } })
    await load()
  }

  async function signOut(): Promise<void> {
    await api.delete('/api/session')
    user.value = null
    house.value = null
    useLiveStore().close()
  }

  const may = (role: 'clerk' | 'supervisor') =>
    user.value?.role === 'supervisor' || (role === 'clerk' && user.value?.role === 'clerk')
  const brandName = (code: string) => house.value?.brands.find((brand) => brand.code === code)?.name ?? code
  return { user, house, known, load, signIn, signOut, may, brandName }
})
