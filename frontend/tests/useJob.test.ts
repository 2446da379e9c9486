import { describe, expect, it } from 'vitest'
import { earlyStages, type JobState } from '@/job/useJob'

const line = { parts: [], open: 0, ask: 0, to_bench: 0, contradictions: 0 }
const part = { key: 'aaaa', kind: 'lip_seal' } as unknown as JobState['line']['parts'][number]
const state = (more: object) => ({ cautions_open: 0, line: { ...line, ...more } }) as unknown as JobState
const of = (job: JobState | null, name: string) => earlyStages(job).find((stage) => stage.name === name)

describe('the first stages of a job', () => {
  it('has not looked at a line without parts', () => {
    expect(of(state({}), 'line')).toMatchObject({ mark: 'not_looked_at', left: 0 })
    expect(of(null, 'line')?.mark).toBe('not_looked_at')
  })
  it('holds when every part is judged', () =>
    expect(of(state({ parts: [part] }), 'line')).toMatchObject({ mark: 'holds', left: 0 }))
  it('is not proven while something is to be judged or decided', () =>
    expect(of(state({ parts: [part], open: 2, ask: 1 }), 'line')).toMatchObject({
      mark: 'not_proven',
      left: 3,
    }))
  it('does not hold while something contradicts itself', () =>
    expect(of(state({ parts: [part], contradictions: 1 }), 'line')?.mark).toBe('does_not_hold'))
  it('counts the cautions that nobody has read', () => {
    const job = { ...state({}), cautions_open: 3 }
    expect(of(job, 'take-in')).toMatchObject({ mark: 'not_proven', left: 3 })
    expect(of(state({}), 'take-in')?.mark).toBe('holds')
  })
})
