import { api } from '../composables/api'

/**
 * Asks for the password again before what could let others in. The call that was refused for it waits, and is made
 * once more when the person has shown who they are.
 */
export const useProving = defineStore('proving', () => {
  const asked = ref(false)
  let answered: (proved: boolean) => void = () => {}

  /** @returns whether they showed it; several calls at once share one question */
  let question: Promise<boolean> | undefined
  function ask(): Promise<boolean> {
    question ??= new Promise<boolean>((resolve) => {
      asked.value = true
      answered = resolve
    }).finally(() => {
      asked.value = false
      question = undefined
    })
    return question
  }
  async function prove(password: string, code: string): Promise<void> {
    await api.post('/api/session/prove', { body: { password, code } })
    answered(true)
  }
  const leave = () => answered(false)
  return { asked, ask, prove, leave }
})
