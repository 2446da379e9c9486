import createClient, { type Middleware } from 'openapi-fetch'
import type { components, paths } from './types'

export type Schemas = components['schemas']

/** The one shape in which the server says no. */
export interface Refusal {
  status: number
  code: string
  message: string
  field: string | null
  hint: string | null
  current: Record<string, unknown> | null
  /** Seconds until another try is taken, where the server says so. */
  retrySeconds?: number
}

let csrfToken = ''
const listeners = new Set<() => void>()

export function useCsrfToken(token: string): void {
  csrfToken = token
}

/** Called when the server no longer knows who is asking. */
export function onSignedOut(listener: () => void): void {
  listeners.add(listener)
}

const guards: Middleware = {
  onRequest({ request }) {
    if (request.method !== 'GET') request.headers.set('X-CSRF-Token', csrfToken)
    return request
  },
  onResponse({ response, schemaPath }) {
    if (response.status === 401 && schemaPath !== '/api/sign-in') listeners.forEach((listener) => listener())
    return response
  },
}

export const api = createClient<paths>({ baseUrl: '/', credentials: 'same-origin' })
api.use(guards)

export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16))
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')
}

export function withKey(key = newKey()): { headers: Record<string, string> } {
  return { headers: { 'Idempotency-Key': key } }
}

const AWAY: Refusal = {
  status: 0,
  code: 'no_answer',
  message: 'The server does not answer.',
  field: null,
  hint: 'What you typed is saved on this device.',
  current: null,
  retrySeconds: 0,
}

function refusalOf(error: unknown, response: Response): Refusal {
  const body = (error as { error?: Partial<Refusal> } | undefined)?.error
  if (!body) return { ...AWAY, status: response.status }
  const retrySeconds = Number(response.headers.get('Retry-After') ?? 0)
  return { ...AWAY, hint: null, ...body, status: response.status, retrySeconds } as Refusal
}

export type Result<T> = { answer: T; refusal: null } | { answer: null; refusal: Refusal }

/** Turns a call into an answer or a refusal; a lost server is a refusal too, an aborted call throws. */
export async function resultOf<T>(
  call: Promise<{ data?: T | undefined; error?: unknown; response: Response }>,
): Promise<Result<T>> {
  try {
    const { data, error, response } = await call
    if (data !== undefined && response.ok) return { answer: data, refusal: null }
    return { answer: null, refusal: refusalOf(error, response) }
  } catch (failure) {
    if (failure instanceof DOMException && failure.name === 'AbortError') throw failure
    return { answer: null, refusal: AWAY }
  }
}

export function isAway(refusal: Refusal): boolean {
  return refusal.status === 0 || refusal.status === 502 || refusal.status === 503 || refusal.status === 401
}
