import { describe, expect, it } from 'vitest'
import { bearingSection } from '@/drawing/bearing'

const SIZE = { d_mm: 25, D_mm: 52, B_mm: 15, ball_mm: 7.94 }
const section = (closure = 'open') => bearingSection(SIZE, 4, 100, 200, closure)

describe('a ball bearing in section', () => {
  it('is to scale', () => {
    const drawn = section()
    expect(drawn.right - drawn.left).toBe(60)
    const [outer] = drawn.rings.filter((ring) => ring.outer)
    expect(outer?.y).toBeCloseTo(200 - 104)
    expect(drawn.balls.map((ball) => ball.r)).toEqual([15.88, 15.88])
  })
  it('is the same above and below the axis', () => {
    const { balls, axis } = section()
    expect((balls[0]?.cy ?? 0) + (balls[1]?.cy ?? 0)).toBeCloseTo(2 * axis)
  })
  it('leaves the bore open between the inner rings', () => {
    const inner = section().rings.filter((ring) => !ring.outer)
    const edges = inner.map((ring) => [ring.y, ring.y + ring.height])
    expect(
      Math.min(...edges.flat().filter((y) => y > 200)) - Math.max(...edges.flat().filter((y) => y < 200)),
    ).toBeCloseTo(100)
  })
  it.each([
    ['open', 0],
    ['shield_one', 2],
    ['shield_two', 4],
    ['seal_two', 4],
  ])('draws the covers of %s', (closure, covers) => expect(section(closure).covers).toHaveLength(covers))
  it('lets a contact seal touch the inner ring and a shield not', () => {
    const reach = (closure: string) => section(closure).covers[0]?.y2 ?? 0
    expect(reach('seal_two')).not.toBeCloseTo(reach('shield_two'))
    expect(section('seal_two').covers.every((cover) => cover.contact)).toBe(true)
  })
})
