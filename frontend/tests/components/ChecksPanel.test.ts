// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { beforeEach, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { useSession } from '@/api/session'
import ChecksPanel from '@/order/ChecksPanel.vue'

const check = (light: string, state = 'not_proven') => ({
  light,
  state,
  words: `${light} is open.`,
  facts_mark: 'f',
  passed_reason: null,
  passed_by: null,
  passed_at: null,
})
const line = {
  line_id: 3,
  item: { marking: '6204-GG' },
  part_name: 'fan side',
  job_number: '0429',
  job_title: 'Blower',
  lights: [check('identity', 'holds'), check('shaft'), check('clearance')],
  other_offers: [],
} as unknown as Schemas['OrderLine']
const REASON = 'old housing measured on site'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  useSession().may = () => true
})

it('opens the first open check by key, and keeps the next one open when an override comes late', async () => {
  let overridden: (done: boolean) => void = () => {}
  const panel = mount(ChecksPanel, {
    props: { line, placed: false, pass: () => new Promise<boolean>((done) => (overridden = done)) },
    global: { plugins: [PrimeVue] },
    attachTo: document.body,
  })
  panel.vm.askFirst()
  await flushPromises()
  await panel.get('textarea').setValue(REASON)
  await panel.get('form').trigger('submit')
  // what the server has made of it is shown before the answer has been dealt with
  const lights = line.lights.map((each) =>
    each.light === 'shaft' ? { ...each, passed_reason: REASON, passed_by: 'Wren' } : each,
  )
  await panel.setProps({ line: { ...line, lights } })
  expect(panel.find('textarea').exists()).toBe(false)
  panel.vm.askFirst()
  await flushPromises()
  await panel.get('textarea').setValue('the fan')
  overridden(true)
  await flushPromises()
  expect(panel.get('textarea').element.value).toBe('the fan')
  panel.unmount()
})
