// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import LazyInput from '@/entry/LazyInput.vue'

describe('a field that is taken when it is left', () => {
  it('keeps what is being typed whatever comes meanwhile, and takes it once', async () => {
    const field = mount(LazyInput, { props: { value: '' }, attachTo: document.body })
    const input = field.element as HTMLInputElement
    input.focus()
    input.value = ' 51 '
    await field.trigger('input')
    await field.setProps({ value: '40' }) // an answer of before
    expect(input.value).toBe(' 51 ')
    await field.trigger('change')
    expect(field.emitted('take')).toEqual([['51']])
  })
  it('shows what is held while nobody is at it', async () => {
    const field = mount(LazyInput, { props: { value: '22' } })
    await field.setProps({ value: '23' })
    expect((field.element as HTMLInputElement).value).toBe('23')
    await field.trigger('change')
    expect(field.emitted('take')).toBeUndefined()
  })
})
