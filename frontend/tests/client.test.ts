import { describe, expect, it } from 'vitest'
import { isAway, newKey, resultOf, withKey, type Refusal } from '../src/api/client'

const answered = (status: number, data: unknown, error?: unknown) =>
  Promise.resolve({ data, error, response: new Response(null, { status }) })

describe('a call is an answer or a refusal', () => {
  it('is an answer when the server says yes', async () =>
    expect(await resultOf(answered(200, { n: 1 }))).toEqual({ answer: { n: 1 }, refusal: null }))
  it('carries what the server says no with, at its field', async () => {
    const error = {
      error: { code: 'too_large', message: 'More than 20 m.', field: 'text', hint: 'Look at the point.' },
    }
    const { answer, refusal } = await resultOf(answered(422, undefined, error))
    expect(answer).toBeNull()
    expect(refusal).toMatchObject({
      status: 422,
      code: 'too_large',
      field: 'text',
      hint: 'Look at the point.',
    })
  })
  it('carries what stands there now when someone else was first', async () => {
    const error = { error: { code: 'changed_meanwhile', message: 'x', current: { version: 4 } } }
    expect((await resultOf(answered(409, undefined, error))).refusal?.current).toEqual({ version: 4 })
  })
  it('says that what was typed is kept when nothing answers', async () => {
    const { refusal } = await resultOf(Promise.reject(new TypeError('Failed to fetch')))
    expect(refusal?.code).toBe('no_answer')
    expect(refusal?.hint).toContain('saved on this device')
  })
  it('lets a call that was taken back go', async () => {
    await expect(resultOf(Promise.reject(new DOMException('gone', 'AbortError')))).rejects.toThrow('gone')
  })
  it('does not take an answer without a body for one', async () =>
    expect((await resultOf(answered(502, undefined))).refusal?.status).toBe(502))
})

describe('a server that is away', () => {
  const refusal = (status: number): Refusal => ({ status, code: '', message: '', field: null, hint: null, current: null }) // prettier-ignore
  it.each([0, 401, 502, 503])('%d is asked again later', (status) =>
    expect(isAway(refusal(status))).toBe(true),
  )
  it.each([404, 409, 422, 500])('%d is an answer', (status) => expect(isAway(refusal(status))).toBe(false))
})

describe('the key that makes twice once', () => {
  it('is new for every write, and the same when a write is tried again', () => {
    expect(new Set(Array.from({ length: 200 }, newKey)).size).toBe(200)
    expect(withKey('abc').headers['Idempotency-Key']).toBe('abc')
    expect(newKey()).toMatch(/^[0-9a-f]{32}$/)
  })
})
