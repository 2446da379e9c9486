// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { useSession } from '@/api/session'
import ChooseSecret from '@/shell/ChooseSecret.vue'
import FirstStart from '@/shell/FirstStart.vue'
import SignIn from '@/shell/SignIn.vue'

const refused = (status: number, message: string) => ({
  status,
  code: status === 429 ? 'too_many_tries' : 'wrong_code',
  message,
  field: null,
  hint: null,
  current: null,
})

beforeEach(() => setActivePinia(createPinia()))

describe('the first start', () => {
  async function filled(again: string) {
    const made = mount(FirstStart)
    await made.get('input[name=code]').setValue('ABCDE-23456')
    await made.get('input[name=name]').setValue('Rook')
    await made.get('input[name=secret]').setValue('lathe, 4 jaws')
    await made.get('input[name=again]').setValue(again)
    return made
  }
  it('opens the shop only when both passwords are the same', async () => {
    const made = await filled('lathe, 3 jaws')
    expect(made.get('button').attributes('disabled')).toBeDefined()
    expect(made.text()).toContain('do not match yet')
    await made.get('input[name=again]').setValue('lathe, 4 jaws')
    expect(made.get('button').attributes('disabled')).toBeUndefined()
  })
  it('keeps what was typed when the code is refused', async () => {
    const session = useSession()
    vi.spyOn(session, 'makeOwner').mockResolvedValue(refused(403, 'Wrong code.'))
    const made = await filled('lathe, 4 jaws')
    await made.get('form').trigger('submit')
    await flushPromises()
    expect(made.get('[role=alert]').text()).toContain('Wrong code')
    expect(made.get<HTMLInputElement>('input[name=name]').element.value).toBe('Rook')
  })
})

describe('a PIN of one’s own', () => {
  it('asks an owner for more characters than others', () => {
    const session = useSession()
    session.person = { person_id: 1, name: 'Rook', role: 'owner', choose_secret: true }
    expect(mount(ChooseSecret).text()).toContain('at least 8')
    session.person = { person_id: 2, name: 'Pike', role: 'bench', choose_secret: true }
    expect(mount(ChooseSecret).text()).toContain('at least 6')
  })
  it('says when it is done', async () => {
    const session = useSession()
    session.person = { person_id: 2, name: 'Pike', role: 'bench', choose_secret: true }
    const change = vi.spyOn(session, 'changeSecret').mockResolvedValue(null)
    const made = mount(ChooseSecret, { props: { first: true } })
    await made.get('input[name=old]').setValue('620 418')
    await made.get('input[name=new]').setValue('cold chisel')
    await made.get('input[name=again]').setValue('cold chisel')
    await made.get('form').trigger('submit')
    await flushPromises()
    expect(change).toHaveBeenCalledWith({ old: '620 418', new: 'cold chisel' })
    expect(made.emitted('done')).toHaveLength(1)
  })
})

describe('a slowed sign-in', () => {
  it('counts down the seconds that the server tells, not those of its words', async () => {
    vi.useFakeTimers()
    const session = useSession()
    const slowed = { ...refused(429, 'Zu viele Versuche.'), retrySeconds: 3 }
    vi.spyOn(session, 'signIn').mockResolvedValue(slowed)
    const made = mount(SignIn)
    await made.get('input[name=name]').setValue('Pike')
    await made.get('input[name=secret]').setValue('000000')
    await made.get('form').trigger('submit')
    await flushPromises()
    expect(made.get('[role=alert]').text()).toContain('Try again in 3 s.')
    await vi.advanceTimersByTimeAsync(3000)
    expect(made.find('[role=alert]').exists()).toBe(false)
    vi.useRealTimers()
  })
})
