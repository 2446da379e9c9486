import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, onSignedOut, told, useCsrfToken, type Refusal, type Schemas } from './client'

/** Who is signed in. */
export const useSession = defineStore('session', () => {
  const person = ref<Schemas['Person'] | null>(null)
  const demoPeople = ref<Schemas['DemoPerson'][]>([])
  const known = ref(false)
  const lost = ref(false)

  function take(answer: Schemas['SessionAnswer']): void {
    person.value = answer.person ?? null
    demoPeople.value = answer.demo_people
    useCsrfToken(answer.csrf_token)
    known.value = true
    lost.value = false
  }
  async function look(): Promise<boolean> {
    const { answer } = await told(api.GET('/api/session'))
    if (answer) take(answer)
    else lost.value = true
    return answer !== null
  }
  async function signIn(name: string, secret: string): Promise<Refusal | null> {
    const { answer, refusal } = await told(api.POST('/api/sign-in', { body: { name, secret } }))
    if (answer) take(answer)
    return refusal
  }
  async function signOut(): Promise<void> {
    await told(api.POST('/api/sign-out'))
    person.value = null
    await look()
  }
  onSignedOut(() => {
    if (person.value) {
      person.value = null
      void look()
    }
  })
  return { person, demoPeople, known, lost, look, signIn, signOut }
})
