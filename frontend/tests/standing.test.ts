import { describe, expect, it } from 'vitest'
import type { Schemas } from '@/api/client'
import { markOf, standingDecisions, standingVerdicts, toneOf, wrongParts } from '@/drawing/standing'

const decision = (part: string, verdict: string, stands: boolean) =>
  ({ part, verdict, stands }) as Schemas['Decision']
const check = (more: object) =>
  ({ verdicts: {}, contradictions: [], ...more }) as unknown as Schemas['LineCheckAnswer']

describe('what stands', () => {
  it('is the second person’s decision as long as its findings are the same', () => {
    const decided = standingDecisions([decision('a', 'replace', true), decision('b', 'reuse', false)])
    const judged = check({ verdicts: { a: { verdict: 'ask' }, b: { verdict: 'ask' } } })
    expect(standingVerdicts(judged, decided)).toEqual({ a: 'replace', b: 'ask' })
  })
  it('is nothing before anything was checked', () => {
    expect(standingVerdicts(null, standingDecisions(undefined))).toEqual({})
    expect(wrongParts(null).size).toBe(0)
  })
  it('leaves out contradictions that are answered or only asked', () => {
    const each = (part: string, level: string, answer = '') => ({ part, level, answer })
    const contradictions = [each('a', 'wrong'), each('b', 'wrong', 'as_found'), each('c', 'ask')]
    expect([...wrongParts(check({ contradictions }))]).toEqual(['a'])
  })
  it('is shown by mark and tone; what is not known is shown as the gravest', () => {
    expect([markOf('reuse'), toneOf('reuse')]).toEqual(['holds', 'good'])
    expect([markOf('replace'), toneOf('machine_shop')]).toEqual(['does_not_hold', 'stop'])
    expect(markOf('open')).toBe('not_looked_at')
  })
})
