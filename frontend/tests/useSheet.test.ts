// @vitest-environment node
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import type { Result } from '@/api/client'
import { PAGE } from '@/sheets/drafts'
import { useSaving } from '@/sheets/saving'
import { useSheet } from '@/sheets/useSheet'
import { Kept } from './machine'
import { AWAY } from './refusals'

interface Sheet {
  name: string
  note: string
}
const EMPTY: Sheet = { name: '', note: '' }

type Held = { sheet: Sheet; version: number }
type Save = (sent: Held, key: string, again?: boolean) => Promise<Result<Held>>
/** A server that holds one sheet and refuses what was made from an older version. */
class Server {
  held = { sheet: { ...EMPTY }, version: 1 }
  away = false
  /** What is sent is stored, and the answer never comes back. */
  deaf = false
  keys: string[] = []
  private readonly given = new Map<string, number>()
  save: Save = async (sent, key) => {
    this.keys.push(key)
    if (this.away) return { answer: null, refusal: AWAY }
    const first = this.given.get(key)
    if (first) return { answer: { sheet: sent.sheet, version: first }, refusal: null }
    if (sent.version !== this.held.version)
      return {
        answer: null,
        refusal: { ...AWAY, status: 409, current: { ...this.held } as Record<string, unknown> },
      }
    this.held = { sheet: { ...sent.sheet }, version: sent.version + 1 }
    this.given.set(key, this.held.version)
    if (this.deaf) return { answer: null, refusal: { ...AWAY, status: 0 } }
    return { answer: { ...this.held }, refusal: null }
  }
}
const MINE = `ample:test:${PAGE}`
const OTHER = `ample:test:${'0f'.repeat(16)}`
let scope: EffectScope
let server: Server
function open() {
  scope = effectScope()
  const made = scope.run(() => useSheet<Sheet>('test', server.save, EMPTY))
  if (!made) throw new Error('no scope')
  made.open({ sheet: { ...server.held.sheet }, version: server.held.version })
  return made
}
async function pass(ms: number) {
  await nextTick()
  await vi.advanceTimersByTimeAsync(ms)
}

beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('localStorage', new Kept())
  setActivePinia(createPinia())
  server = new Server()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
})

describe('a sheet that loses nothing', () => {
  it('is saved shortly after it was typed', async () => {
    const made = open()
    made.sheet.value.name = 'cup'
    await pass(600)
    expect(server.held).toEqual({ sheet: { name: 'cup', note: '' }, version: 2 })
    expect(useSaving().state).toBe('saved')
  })
  it('opens with what was saved last when its load was overtaken by that save', async () => {
    const before = { sheet: { ...EMPTY }, version: server.held.version }
    const made = open()
    made.sheet.value.name = 'cup'
    scope.stop()
    await pass(10)
    expect(server.held.sheet.name).toBe('cup')
    scope = effectScope()
    const next = scope.run(() => useSheet<Sheet>('test', server.save, EMPTY))
    next?.open(before)
    expect(next?.sheet.value.name).toBe('cup')
    if (next) next.sheet.value.note = 'worn'
    await pass(600)
    expect(server.held).toEqual({ sheet: { name: 'cup', note: 'worn' }, version: 3 })
  })
  it('is kept on this machine until the server is back, and sent again with the same key', async () => {
    const made = open()
    server.away = true
    made.sheet.value.name = 'cup'
    await pass(600)
    expect(useSaving().words).toContain('saved on this device')
    expect(localStorage.getItem(MINE)).toContain('cup')
    server.away = false
    await pass(2000)
    expect(server.held.sheet.name).toBe('cup')
    expect(new Set(server.keys).size).toBe(1)
    expect(localStorage.getItem(MINE)).toBeNull()
  })
  it('is said to go out again when it does: what was answered then may be old by now', async () => {
    const told: boolean[] = []
    const { save } = server
    server.save = (sent, key, again = false) => (told.push(again), save(sent, key))
    const made = open()
    server.away = true
    made.sheet.value.name = 'cup'
    await pass(600)
    server.away = false
    await pass(2000)
    made.sheet.value.name = 'ring'
    await pass(600)
    expect(told).toEqual([false, true, false])
  })
  it('left while something was on its way, is stored with what was typed since', async () => {
    const made = open()
    made.sheet.value.name = 'cup'
    let answer = () => {}
    const { save } = server
    const kept = new Promise<void>((go) => (answer = go))
    server.save = async (sent, key) => (await kept, save(sent, key))
    scope.stop()
    scope = effectScope()
    const slow = scope.run(() => useSheet<Sheet>('test', server.save, EMPTY))
    slow?.open({ sheet: { ...server.held.sheet }, version: server.held.version })
    await pass(600)
    if (slow) slow.sheet.value.note = 'worn'
    await nextTick()
    scope.stop()
    answer()
    await pass(10)
    expect(server.held.sheet.note).toBe('worn')
  })
  it('is there again after a reload', async () => {
    const made = open()
    server.away = true
    made.sheet.value.note = 'split'
    await pass(600)
    scope.stop()
    server.held = { sheet: { name: 'theirs', note: '' }, version: 5 }
    server.away = false
    const again = open()
    await pass(600)
    expect(again.sheet.value).toEqual({ name: 'theirs', note: 'split' })
    expect(server.held.sheet).toEqual({ name: 'theirs', note: 'split' })
  })
  it('begins with what is kept here while the server does not answer', async () => {
    const made = open()
    server.away = true
    made.sheet.value.note = 'split'
    await pass(600)
    scope.stop()
    scope = effectScope()
    const again = scope.run(() => useSheet<Sheet>('test', server.save, EMPTY))
    expect(again?.openKept()).toBe(true)
    expect(again?.sheet.value.note).toBe('split')
    server.away = false
    await pass(2500)
    expect(server.held.sheet.note).toBe('split')
  })
  it('keeps what is typed before the server has answered, over a reload too', async () => {
    const start = () => {
      scope = effectScope()
      const made = scope.run(() => useSheet<Sheet>('test', server.save, EMPTY))
      if (!made) throw new Error('no scope')
      return made
    }
    const early = start()
    early.sheet.value.note = 'split'
    await pass(10)
    expect(useSaving().words).toContain('saved on this device only')
    scope.stop()
    const again = start()
    server.held = { sheet: { name: 'theirs', note: '' }, version: 3 }
    again.open({ sheet: { ...server.held.sheet }, version: 3 })
    await pass(600)
    expect(server.held.sheet).toEqual({ name: 'theirs', note: 'split' })
    expect(useSaving().state).toBe('saved')
    expect(localStorage.getItem(`${MINE}:early`)).toBeNull()
  })
  it('says so when this machine has no room to keep it, and saves it all the same', async () => {
    const made = open()
    localStorage.setItem = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
    server.away = true
    made.sheet.value.note = 'split'
    await pass(600)
    expect(useSaving().words).toContain('browser storage is full')
    server.away = false
    await pass(2500)
    expect(server.held.sheet.note).toBe('split')
    expect(useSaving().state).toBe('saved')
  })
  it('takes in what someone else saved first', async () => {
    const made = open()
    server.held = { sheet: { name: 'theirs', note: '' }, version: 2 }
    made.sheet.value.note = 'mine'
    await pass(1500)
    expect(made.sheet.value).toEqual({ name: 'theirs', note: 'mine' })
    expect(server.held).toEqual({ sheet: { name: 'theirs', note: 'mine' }, version: 3 })
  })
  it('asks when both changed one field, and saves what was decided', async () => {
    const made = open()
    server.held = { sheet: { name: 'theirs', note: '' }, version: 2 }
    made.sheet.value.name = 'mine'
    await pass(1500)
    expect(made.clashes.value).toEqual([{ path: 'name', mine: 'mine', theirs: 'theirs' }])
    expect(server.held.sheet.name).toBe('theirs')
    made.decide('name', false)
    await pass(1500)
    expect(server.held.sheet.name).toBe('mine')
  })

  it('typed on after an answer was lost, does not take its own save for someone else’s', async () => {
    const made = open()
    server.deaf = true
    made.sheet.value.note = 'spl'
    await pass(600)
    server.deaf = false
    made.sheet.value.note = 'split at the seam'
    await pass(4000)
    expect(made.clashes.value).toEqual([])
    expect(made.merged.value).toEqual([])
    expect(server.held).toEqual({ sheet: { name: '', note: 'split at the seam' }, version: 3 })
    expect(server.keys.slice(0, 2)).toEqual([server.keys[0], server.keys[0]])
  })
  it('nor after a reload in between, nor when someone else saved meanwhile', async () => {
    const made = open()
    server.deaf = true
    made.sheet.value.note = 'spl'
    await pass(600)
    made.sheet.value.note = 'split at the seam'
    await pass(10)
    server.away = true
    scope.stop()
    server.away = server.deaf = false
    server.held = { sheet: { ...server.held.sheet, name: 'theirs' }, version: 3 }
    const again = open()
    await pass(4000)
    expect(again.clashes.value).toEqual([])
    expect(server.held.sheet).toEqual({ name: 'theirs', note: 'split at the seam' })
  })
  it('takes over what a page left that is not open any more, an earlier version’s too', async () => {
    const base = { ...EMPTY }
    localStorage.setItem(OTHER, JSON.stringify({ base, version: 1, mine: { name: 'cup', note: '' } }))
    localStorage.setItem('ample:test', JSON.stringify({ base, version: 1, mine: { name: '', note: 'old' } }))
    const made = open()
    await pass(2000)
    expect(made.sheet.value).toEqual({ name: 'cup', note: 'old' })
    expect(server.held.sheet).toEqual({ name: 'cup', note: 'old' })
    expect(localStorage.getItem(OTHER)).toBeNull()
  })
  it('asks where a page that was left and this one say different things', async () => {
    const draft = { base: { ...EMPTY }, version: 1, mine: { name: 'cup', note: '' } }
    localStorage.setItem(OTHER, JSON.stringify(draft))
    const made = open()
    made.sheet.value.name = 'ring'
    await pass(2000)
    expect(made.clashes.value).toEqual([{ path: 'name', mine: 'cup', theirs: 'ring' }])
    made.decide('name', true)
    await pass(1000)
    expect(server.held.sheet.name).toBe('ring')
  })
  it('keeps its draft apart from another page’s', async () => {
    const made = open()
    const theirs = JSON.stringify({ base: { ...EMPTY }, version: 1, mine: { name: 'x', note: '' } })
    server.away = true
    made.sheet.value.note = 'mine'
    await pass(600)
    localStorage.setItem(OTHER, theirs)
    server.away = false
    await pass(2000)
    expect(localStorage.getItem(MINE)).toBeNull()
    expect(localStorage.getItem(OTHER)).toBe(theirs)
  })
})

describe('waiting until all is stored', () => {
  it('waits for what is on its way and for what was typed since', async () => {
    const save = server.save
    let answer = () => {}
    const slow = vi.fn(async (sent: { sheet: Sheet; version: number }, key: string) => {
      await new Promise<void>((go) => (answer = go))
      return save(sent, key)
    })
    scope = effectScope()
    const held = scope.run(() => useSheet<Sheet>('slow', slow, EMPTY))
    if (!held) throw new Error('no scope')
    held.open({ sheet: { ...EMPTY }, version: 1 })
    held.sheet.value.name = '6205'
    await pass(600)
    held.sheet.value.note = 'worn'
    let said: unknown = 'waiting'
    void held.stored().then((why) => (said = why))
    await pass(1)
    expect(said).toBe('waiting')
    answer()
    await pass(1)
    expect([said, slow.mock.calls.length]).toEqual(['waiting', 2])
    answer()
    await pass(1)
    expect(said).toBeNull()
    expect(server.held.sheet).toEqual({ name: '6205', note: 'worn' })
  })
  it('goes on where somebody else saved another field meanwhile', async () => {
    const held = open()
    server.held = { sheet: { name: 'theirs', note: '' }, version: 2 }
    held.sheet.value.note = 'mine'
    expect(await held.stored()).toBeNull()
    expect(server.held.sheet).toEqual({ name: 'theirs', note: 'mine' })
  })
  it('says why it cannot be stored', async () => {
    const held = open()
    server.away = true
    held.sheet.value.name = '6205'
    expect(await held.stored()).toMatchObject({ code: 'database_away' })
    server.away = false
    server.held = { sheet: { name: '6206', note: '' }, version: 2 }
    expect(await held.stored()).toMatchObject({ code: 'not_saved' })
    expect(held.hasClashes.value).toBe(true)
  })
})
