// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import axe from 'axe-core'
import { createPinia, setActivePinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Component } from 'vue'
import ClashDialog from '@/entry/ClashDialog.vue'
import OwnDoor from '@/shell/OwnDoor.vue'
import ModelDialog from '@/takein/ModelDialog.vue'

/** Dialogs that only open after something else has happened; the others are scanned in the browser, with their colours. */
const DIALOGS: Record<string, [Component, Record<string, unknown>]> = {
  'somebody changed the same field': [
    ClashDialog,
    { clashes: [{ path: 'observations.bore', mine: '24.98', theirs: '25.01' }] },
  ],
  'who is signed in': [OwnDoor, {}],
  'how the builds of a model are distinguished': [ModelDialog, { name: 'PW 12', unit: 'winch' }],
}
beforeEach(() => {
  document.body.innerHTML = ''
  setActivePinia(createPinia())
})

describe('a dialog is seen by all', () => {
  it.each(Object.keys(DIALOGS))('%s', async (name) => {
    const [dialog, props] = DIALOGS[name] ?? []
    if (!dialog) throw new Error('no such dialog')
    const made = mount(dialog, { props, global: { plugins: [PrimeVue] }, attachTo: document.body })
    await flushPromises()
    const shown = document.querySelector('[role=dialog]')
    expect(shown?.textContent).toBeTruthy()
    const found = await axe.run(shown ?? document.body, { rules: { 'color-contrast': { enabled: false } } })
    expect(found.violations.map((each) => `${each.id}: ${each.nodes[0]?.html}`)).toEqual([])
    expect(found.passes.length).toBeGreaterThan(5)
    made.unmount()
  })
})
