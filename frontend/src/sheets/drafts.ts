import { newKey } from '@/api/client'

/** What was typed and is not saved yet, with what it was typed over; `sent`: what has gone out and is not answered. */
export interface Draft<T> {
  base: T
  version: number
  mine: T
  sent?: Sent<T> | undefined
}
export interface Sent<T> {
  sheet: T
  version: number
  key: string
}
type Word = { ask: true } | { here: string } | { left: string }

const ANSWER_MS = 250
const LEFT = 'ample:left'

/**
 * This page's own name: two pages of one person on one sheet keep their drafts apart. A page that is loaded anew
 * is still itself; one that was copied from another is not.
 */
export const PAGE = taken(LEFT) ?? newKey()

function taken(name: string): string | null {
  if (typeof sessionStorage === 'undefined') return null
  const found = sessionStorage.getItem(name)
  sessionStorage.removeItem(name)
  return found
}

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('ample-drafts')
const alive = new Set<string>()
/** Pages that have said that they are being left: one that closes may still hear a question for a moment. */
const left = new Set<string>()
let leaving = false
const listeners = new Set<() => void>()
if (channel) {
  channel.onmessage = ({ data }: MessageEvent<Word>) => {
    if ('ask' in data) {
      if (!leaving) channel.postMessage({ here: PAGE } satisfies Word)
    } else if ('here' in data) {
      alive.add(data.here)
      left.delete(data.here)
    } else {
      left.add(data.left)
      listeners.forEach((listener) => listener())
    }
  }
  const node = channel as unknown as { unref?: () => void }
  node.unref?.() // in tests there is no page that could be left
}
if (typeof window !== 'undefined') {
  window.addEventListener('pagehide', () => {
    leaving = true
    sessionStorage.setItem(LEFT, PAGE)
    channel?.postMessage({ left: PAGE } satisfies Word)
  })
  window.addEventListener('pageshow', () => {
    leaving = false
    sessionStorage.removeItem(LEFT)
    channel?.postMessage({ here: PAGE } satisfies Word) // back again, perhaps, after it was left
  })
  // a page that crashed says nothing: whoever comes back to this one finds what it left
  window.addEventListener('focus', () => listeners.forEach((listener) => listener()))
}

/** Called when another page may have been left; returns how to stop listening. */
export function onPageLeft(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** The other pages that are open now: they save what they hold by themselves. */
export async function openPages(): Promise<Set<string>> {
  alive.clear()
  channel?.postMessage({ ask: true } satisfies Word)
  await new Promise((resolve) => setTimeout(resolve, ANSWER_MS))
  return new Set([...alive].filter((page) => !left.has(page)))
}

/** The drafts of one sheet on this machine. */
export class Drafts<T> {
  private readonly prefix: string
  constructor(private readonly name: string) {
    this.prefix = `ample:${name}:`
  }
  private where(early: boolean): string {
    return `${this.prefix}${PAGE}${early ? ':early' : ''}`
  }
  /** Keep a draft whose parts are written as JSON already; false when the machine has no room. */
  keep(
    parts: { base: string; version: number; mine: string; sent?: string | undefined },
    early = false,
  ): boolean {
    const sent = parts.sent ? `,"sent":${parts.sent}` : ''
    const text = `{"base":${parts.base},"version":${parts.version},"mine":${parts.mine}${sent}}`
    try {
      localStorage.setItem(this.where(early), text)
      return true
    } catch (full) {
      if (!(full instanceof DOMException)) throw full
      return false
    }
  }
  own(early = false): Draft<T> | null {
    return this.read(this.where(early))
  }
  drop(early = false): void {
    localStorage.removeItem(this.where(early))
  }
  private read(key: string): Draft<T> | null {
    const kept = localStorage.getItem(key)
    return kept ? (JSON.parse(kept) as Draft<T>) : null
  }
  /** Take over what pages have left that are not open any more; an earlier version's one draft a sheet too. */
  takeLeft(open: Set<string>): Draft<T>[] {
    const found: Draft<T>[] = []
    const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '')
    for (const key of keys) {
      const page = /^([0-9a-f]{32})(:early)?$/.exec(key.slice(this.prefix.length))
      const left = key.startsWith(this.prefix) && page && page[1] !== PAGE && !open.has(page[1] ?? '')
      if (!left && key !== `ample:${this.name}` && key !== `ample:${this.name}:early`) continue
      const draft = this.read(key)
      localStorage.removeItem(key)
      if (draft) found.push(draft)
    }
    return found
  }
}
