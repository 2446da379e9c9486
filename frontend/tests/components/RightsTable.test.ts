// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import RightsTable from '@/shop/RightsTable.vue'

type RoleRight = Schemas['RoleRight']
const role = (name: RoleRight['role'], more: Partial<RoleRight> = {}): RoleRight => ({
  role: name,
  allowed: false,
  usual: false,
  fixed: false,
  limit: null,
  version: 0,
  ...more,
})
const PLACE: Schemas['RightRow'] = {
  right: 'place_order',
  words: 'place orders',
  has_limit: true,
  roles: [
    role('counter'),
    role('bench'),
    role('buyer', { allowed: true, usual: true, limit: '250.00', version: 3 }),
    role('owner', { allowed: true, usual: true, fixed: true }),
  ],
}
const table = () => mount(RightsTable, { props: { rights: [PLACE] } })

describe('the table of rights', () => {
  it('says of each role whether it may, and lets only what can be changed be pressed', () => {
    const made = table()
    expect(made.findAll('button').map((each) => each.attributes('aria-label'))).toEqual([
      'counter may not place orders',
      'bench may not place orders',
      'buyer may place orders',
    ])
    expect(made.find('[role=img]').attributes('aria-label')).toBe('owner may place orders')
  })
  it('gives a right to a role with the version that was seen', async () => {
    const made = table()
    await made.findAll('button')[0]?.trigger('click')
    expect(made.emitted('set')).toEqual([
      [{ role: 'counter', right: 'place_order', allowed: true, limit: null, version: 0 }],
    ])
  })
  it('takes an amount with a comma, and an empty one as any amount', async () => {
    const made = table()
    const field = made.get<HTMLInputElement>('input[name=limit-buyer]')
    expect(field.element.value).toBe('250.00')
    await field.setValue('99,50')
    await field.trigger('change')
    await field.setValue('')
    await field.trigger('change')
    expect(made.emitted('set')?.map(([body]) => (body as Schemas['SetRight']).limit)).toContain('99.50')
    expect(made.emitted('set')?.map(([body]) => (body as Schemas['SetRight']).limit)).toContain(null)
  })
})
