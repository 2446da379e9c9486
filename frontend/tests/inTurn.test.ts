// @vitest-environment node
import { expect, it } from 'vitest'
import { inTurn } from '@/api/inTurn'

it('begins a call once the one before is answered, refused or failed', async () => {
  const turn = inTurn()
  const told: string[] = []
  const first = turn(async () => {
    told.push('first begins')
    await new Promise((go) => setTimeout(go, 5))
    told.push('first answered')
    throw new Error('failed')
  })
  const second = turn(() => (told.push('second begins'), Promise.resolve(2)))
  await expect(first).rejects.toThrow('failed')
  expect(await second).toBe(2)
  expect(told).toEqual(['first begins', 'first answered', 'second begins'])
})
