// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import VerdictMark from '@/drawing/VerdictMark.vue'
import ChoiceChips from '@/entry/ChoiceChips.vue'
import FigureInput from '@/entry/FigureInput.vue'
import { differences } from '@/shop/changes'

describe('chips', () => {
  it('are one of a few, result to a screen reader', async () => {
    const made = mount(ChoiceChips, {
      props: {
        label: 'role',
        chosen: 'bench',
        options: [
          ['bench', 'bench'],
          ['buyer', 'buyer'],
        ],
      },
    })
    expect(made.get('[role=radiogroup]').attributes('aria-label')).toBe('role')
    expect(made.findAll('[role=radio]').map((each) => each.attributes('aria-checked'))).toEqual([
      'true',
      'false',
    ])
    await made.findAll('[role=radio]')[1]?.trigger('click')
    expect(made.emitted('choose')).toEqual([['buyer']])
  })
})

describe('a figure', () => {
  const props = { modelValue: 80, name: 'heat', label: 'heat', least: -100, most: 400 }
  it('is taken as it is typed, with a comma or a minus of print', async () => {
    const made = mount(FigureInput, { props })
    const input = made.get('input')
    await input.setValue('82,5')
    await input.setValue('−20')
    await input.setValue('')
    expect(made.emitted('update:modelValue')).toEqual([[82.5], [-20], [null]])
  })
  it('outside its limits stays as it is typed and is not taken', async () => {
    const made = mount(FigureInput, { props })
    await made.get('input').setValue('4000')
    expect(made.emitted('update:modelValue')).toBeUndefined()
    expect((made.get('input').element as HTMLInputElement).value).toBe('4000')
    expect(made.get('[role=alert]').text()).toBe('−100 to 400')
  })
  it('of a count is whole', async () => {
    const made = mount(FigureInput, { props: { ...props, least: 1, whole: true } })
    await made.get('input').setValue('2.5')
    expect(made.emitted('update:modelValue')).toBeUndefined()
  })
  it('follows what another has typed', async () => {
    const made = mount(FigureInput, { props })
    await made.setProps({ modelValue: 60 })
    expect((made.get('input').element as HTMLInputElement).value).toBe('60')
  })
})

describe('a mark', () => {
  it.each([
    ['holds', 'circle[fill=currentColor]'],
    ['not_proven', 'path[fill=currentColor]'],
    ['does_not_hold', 'path:not([fill])'],
    ['not_looked_at', 'circle:not([fill])'],
  ])('of %s is result by its shape, not by colour alone', (state, shape) => {
    expect(mount(VerdictMark, { props: { state } }).find(shape).exists()).toBe(true)
  })
})

describe('what differs between two states of a record', () => {
  it('names each value by its path, before and after', () => {
    const before = { marking: '6205', sheet: { bore_mm: 25, note: 'worn' } }
    const after = { marking: '6205-2RS', sheet: { bore_mm: 25, note: '' } }
    expect(differences(before, after)).toEqual([
      { path: 'marking', before: '6205', after: '6205-2RS' },
      { path: 'sheet · note', before: 'worn', after: '' },
    ])
  })
  it('shows all of what is new, and nothing of what is the same', () => {
    expect(differences(null, { name: 'Pike' })).toEqual([{ path: 'name', before: '', after: 'Pike' }])
    expect(differences({ a: [1, 2] }, { a: [1, 2] })).toEqual([])
  })
})
