import { useSession } from '../stores/session'
/** The first page is drawn once it is known who is signed in. */
export default defineNuxtPlugin({
  name: 'session',
  async setup() {
    await useSession().load()
  },
})
