import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, onSignedOut, resultOf, useCsrfToken, type Refusal, type Schemas } from './client'

export type Right = Schemas['SessionAnswer']['may'][number]

/** Who is signed in, and what they may do. */
export const useSession = defineStore('session', () => {
  const person = ref<Schemas['Person'] | null>(null)
  const rights = ref<readonly Right[]>([])
  const demoPeople = ref<Schemas['DemoPerson'][]>([])
  const needsOwner = ref(false)
  const address = ref('')
  const known = ref(false)
  const lost = ref(false)

  function take(answer: Schemas['SessionAnswer']): void {
    person.value = answer.person ?? null
    rights.value = answer.may
    demoPeople.value = answer.demo_people
    needsOwner.value = answer.needs_owner
    address.value = answer.address
    useCsrfToken(answer.csrf_token)
    known.value = true
    lost.value = false
  }
  async function look(): Promise<boolean> {
    const { answer } = await resultOf(api.GET('/api/session'))
    if (answer) take(answer)
    else lost.value = true
    return answer !== null
  }
  async function entering(
    call: Promise<{ answer: Schemas['SessionAnswer']; refusal: null } | { answer: null; refusal: Refusal }>,
  ): Promise<Refusal | null> {
    const { answer, refusal } = await call
    if (answer) take(answer)
    return refusal
  }
  const signIn = (name: string, secret: string): Promise<Refusal | null> =>
    entering(resultOf(api.POST('/api/sign-in', { body: { name, secret } })))
  async function makeOwner(body: Schemas['FirstOwner']): Promise<Refusal | null> {
    const refusal = await entering(resultOf(api.POST('/api/first-owner', { body })))
    if (refusal?.code === 'owner_is_there') await look()
    return refusal
  }
  const changeSecret = (body: Schemas['OwnSecret']): Promise<Refusal | null> =>
    entering(resultOf(api.POST('/api/own/secret', { body })))
  const signOutElsewhere = (): Promise<Refusal | null> =>
    entering(resultOf(api.POST('/api/own/end-sign-ins')))
  async function signOut(): Promise<void> {
    const refusal = await entering(resultOf(api.POST('/api/sign-out'))) // its answer has the token of whoever comes next
    if (!refusal) return
    person.value = null
    await look()
  }
  const may = (right: Right): boolean => rights.value.includes(right)
  onSignedOut(() => {
    if (person.value) {
      person.value = null
      void look()
    }
  })
  return {
    person,
    rights,
    demoPeople,
    needsOwner,
    address,
    known,
    lost,
    may,
    look,
    signIn,
    makeOwner,
    changeSecret,
    signOutElsewhere,
    signOut,
  }
})
