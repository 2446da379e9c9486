/** A machine without a screen: what is kept on it, and a server that answers from a table. */
import { createPinia, setActivePinia } from 'pinia'
import { vi } from 'vitest'

export class Kept {
  private readonly held = new Map<string, string>()
  getItem = (name: string): string | null => this.held.get(name) ?? null
  setItem = (name: string, value: string): void => void this.held.set(name, value)
  removeItem = (name: string): void => void this.held.delete(name)
  key = (at: number): string | null => [...this.held.keys()][at] ?? null
  get length(): number {
    return this.held.size
  }
}
export interface Asked {
  method: string
  path: string
  query: URLSearchParams
  body: unknown
}
/** What a path is answered with: a body, a status with a body, or nothing while the server is away. */
export type Answers = (asked: Asked) => { status?: number; body: unknown } | null

/** Stands in for browser and server; gives the list of all that was asked. */
export function machine(answers: Answers, kept: Record<string, string> = {}): Asked[] {
  const asked: Asked[] = []
  const local = new Kept()
  for (const [name, value] of Object.entries(kept)) local.setItem(name, value)
  vi.stubGlobal('localStorage', local)
  vi.stubGlobal('sessionStorage', new Kept())
  vi.stubGlobal('document', { documentElement: { dataset: {} } })
  vi.stubGlobal('location', new URL('http://bench.test/'))
  answering = (one) => (asked.push(one), answers(one))
  setActivePinia(createPinia())
  return asked
}

/** As in a browser: an address without a host is of this page. */
class RequestHere extends Request {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, 'http://bench.test/') : input, init)
  }
}
let answering: Answers = () => null
async function fetchHere(input: RequestInfo | URL, init?: RequestInit): Promise<Response> {
  const request = new RequestHere(input, init)
  const url = new URL(request.url)
  const text = await request.text()
  const body = text ? (JSON.parse(text) as unknown) : null
  const answer = answering({ method: request.method, path: url.pathname, query: url.searchParams, body })
  if (request.signal.aborted) throw new DOMException('gone', 'AbortError')
  if (!answer) throw new TypeError('Failed to fetch')
  return new Response(JSON.stringify(answer.body), {
    status: answer.status ?? 200,
    headers: { 'Content-Type': 'application/json' },
  })
}
// The client takes these once, when it is made: import this file before it.
globalThis.Request = RequestHere
globalThis.fetch = fetchHere

/** Lets answers come in. */
export async function settled(ms = 0): Promise<void> {
  await vi.advanceTimersByTimeAsync(ms)
}
