import { describe, expect, it } from 'vitest'
import { layPart } from '../src/drawing/partLayout'
import { sealSection, statesOf, USUAL_SEALS, type RingState, type SealHalf } from '../src/drawing/seals'
import type { PartSize, Piece } from '../src/drawing/geometry'

const KINDS = Object.keys(USUAL_SEALS)
const STATES = KINDS.flatMap((kind) => statesOf(kind).map((state) => [kind, state] as const))
const size = (kind: string, by = 1): PartSize =>
  ({
    kind,
    sizes: Object.fromEntries(Object.entries(USUAL_SEALS[kind] ?? {}).map(([name, mm]) => [name, mm * by])),
  }) as unknown as PartSize
const half = (kind: string, state: RingState = 'free', by = 1): SealHalf =>
  sealSection(size(kind, by), state) as SealHalf
const numbers = (piece: Piece): number[] =>
  'points' in piece
    ? piece.points.flat()
    : 'radius' in piece
      ? [...piece.at, piece.radius]
      : [...piece.from, ...piece.to]
/** What the sheet asks for on the drawing, by the scheme of the kind (at most four of each). */
const ASKED: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^(lip_|cassette|axial)/, ['shaft', 'housing_bore', 'outside', 'width']],
  [/^v_ring/, ['shaft', 'free_lip', 'outside', 'width']],
  [/^(o_ring|square_ring|x_ring)/, ['inside', 'outside', 'section_1', 'section_2', 'groove_diameter', 'bore_groove_diameter', 'face_groove_outside', 'face_groove_inside', 'groove_width', 'groove_depth', 'dovetail_diameter', 'dovetail_opening', 'connector_diameter', 'connector_leg']],
  [/^backup/, ['inside', 'outside', 'section_1', 'thickness']],
  [/^(u_cup|buffer)/, ['rod', 'section', 'height', 'groove_diameter', 'groove_width']],
  [/^wiper/, ['rod', 'section', 'height', 'base_height', 'groove_diameter', 'groove_width']],
  [/^piston_seal/, ['bore', 'section', 'height', 'groove_diameter', 'groove_width']],
  [/^wear_band/, ['rod', 'section', 'height', 'groove_diameter', 'groove_width']],
  [/^face_/, ['shaft', 'seat_outside', 'seat_thickness', 'working_length']],
  [/^ring_shaft/, ['shaft', 'groove_diameter', 'groove_width', 'thickness']],
  [/^ring_bore/, ['bore', 'groove_diameter', 'groove_width', 'thickness']],
  [/^e_ring/, ['groove_diameter', 'groove_width', 'thickness', 'free_inside']],
  [/^wire_shaft/, ['shaft', 'groove_diameter', 'thickness', 'free_inside']],
  [/^wire_bore/, ['bore', 'groove_diameter', 'thickness', 'free_inside']],
  [/^key/, ['key_width', 'key_height', 'key_length']],
  [/./, ['inside', 'outside', 'thickness']],
] // prettier-ignore
function asked(kind: string, state: RingState): string[] {
  const own = ASKED.find(([pattern]) => pattern.test(kind))?.[1] ?? []
  return own.filter((name) => name in half(kind, state).marks)
}

describe('the section of every seal, ring and small part', () => {
  it.each(STATES)('%s, %s: can be drawn', (kind, state) => {
    const drawn = half(kind, state)
    expect(drawn.pieces.length).toBeGreaterThan(0)
    for (const piece of drawn.pieces) for (const each of numbers(piece)) expect(each).not.toBeNaN()
  })
  it.each(STATES)('%s, %s: has a place on the drawing for what is asked of it', (kind, state) => {
    expect(asked(kind, state).length).toBeGreaterThanOrEqual(
      ['seated', 'under_connector'].includes(state) ? 2 : 3,
    )
  })
  it.each(STATES)('%s, %s: grows with its sizes', (kind, state) => {
    const ten = half(kind, state, 10).pieces.map(numbers)
    half(kind, state).pieces.forEach((piece, i) =>
      numbers(piece).forEach((each, j) =>
        expect(ten[i]?.[j]).toBeCloseTo(10 * each, kind.startsWith('axial') ? 0 : 4),
      ),
    )
  })
})

describe('a seal of a cylinder in its groove', () => {
  const CUPS = ['u_cup', 'u_cup_loaded', 'wiper', 'wiper_double', 'wiper_cased', 'buffer']
  it.each(CUPS)('%s: its lips are pressed between groove and rod', (kind) => {
    const { ri, ro } = { ri: 20, ro: 20 + (USUAL_SEALS[kind]?.section_mm ?? 0) }
    for (const piece of half(kind, 'seated').pieces.filter((each) => each.what === 'rubber')) {
      const radii = 'points' in piece ? piece.points.map(([, r]) => r) : []
      expect(Math.min(...radii)).toBeGreaterThanOrEqual(ri - 1e-9)
      expect(Math.max(...radii)).toBeLessThanOrEqual(ro + 1e-9)
    }
  })
  it('shows the groove, and asks for its diameter and width in place of the seal itself', () => {
    const [free, seated] = [half('u_cup'), half('u_cup', 'seated')]
    expect(free.pieces.some((piece) => piece.what === 'ghost')).toBe(false)
    expect(seated.pieces.filter((piece) => piece.what === 'ghost')).toHaveLength(2)
    expect(Object.keys(free.marks)).toEqual(expect.arrayContaining(['rod', 'section', 'height']))
    expect(Object.keys(seated.marks).sort()).toEqual(['bore', 'groove_diameter', 'groove_width', 'rod'])
  })
  it('is wider in the groove than the seal, and a wiper’s groove takes its base alone', () => {
    const wide = (kind: string): number => {
      const mark = half(kind, 'seated').marks.groove_width
      return mark?.along === 'x' ? mark.to - mark.from : 0
    }
    expect(wide('u_cup')).toBeGreaterThan(USUAL_SEALS.u_cup?.height_mm ?? 0)
    expect(wide('wiper')).toBeGreaterThan(USUAL_SEALS.wiper?.base_mm ?? 0)
    expect(wide('wiper')).toBeLessThan(USUAL_SEALS.wiper?.height_mm ?? 0)
  })
  it('measures a piston’s groove at its bottom, a gland’s at its top', () => {
    const at = (kind: string): number => {
      const mark = half(kind, 'seated').marks.groove_diameter
      return mark?.along === 'diameter' ? 2 * mark.r : 0
    }
    expect(at('piston_seal')).toBe(USUAL_SEALS.piston_seal?.inside_mm)
    expect(at('u_cup')).toBe(USUAL_SEALS.u_cup?.outside_mm)
  })
})

/** Half a field, where the drawing begins on its sheet, and where what stands beside it begins: px. */
const [FIELD_HALF, SHEET_LEFT, ABOUT_LEFT] = [84, 18, 626]
describe('the bench sheet of seals', () => {
  it.each(STATES.flatMap(([kind, state]) => [0.3, 1, 6].map((by) => [kind, state, by] as const)))(
    '%s, %s, %d times its usual size: the fields stay on the sheet and apart',
    (kind, state, by) => {
      const fields = layPart(size(kind, by), 'open', asked(kind, state), state).lines.map(
        (line) => line.field,
      )
      for (const { x, y } of fields) {
        expect(x).toBeGreaterThan(FIELD_HALF - SHEET_LEFT)
        expect(x).toBeLessThan(ABOUT_LEFT - FIELD_HALF - SHEET_LEFT)
        expect(y).toBeGreaterThan(30)
        expect(y).toBeLessThan(440)
      }
      fields.forEach((a, i) =>
        fields.slice(i + 1).forEach((b) => {
          expect(Math.abs(a.x - b.x) >= 168 || Math.abs(a.y - b.y) >= 72).toBe(true)
        }),
      )
    },
  )
})

describe('a ring in a groove', () => {
  const rubberOf = (state: RingState) =>
    half('o_ring', state)
      .pieces.filter((each) => each.what === 'rubber')
      .flatMap(numbers)
  it.each([
    ['seated', 'groove_diameter'],
    ['in_bore', 'bore_groove_diameter'],
    ['in_face', 'face_groove_outside'],
  ] as const)('%s: the ring touches the wall that %s measures', (state, feature) => {
    const mark = half('o_ring', state).marks[feature]
    const radii = half('o_ring', state)
      .pieces.filter((each) => each.what === 'rubber')
      .flatMap((piece) => ('points' in piece ? piece.points.map(([, r]) => r) : []))
    const wall = mark?.along === 'diameter' ? mark.r : NaN
    const nearest = state === 'seated' ? Math.min(...radii) : Math.max(...radii)
    expect(nearest).toBeCloseTo(wall, 6)
  })
  it('is held by the opening of a dovetail, and lies against three sides under a connector', () => {
    const made = USUAL_SEALS.o_ring?.section_mm ?? 0
    const opening = half('o_ring', 'in_dovetail').marks.dovetail_opening
    expect(opening?.along === 'wall' ? opening.to - opening.from : NaN).toBeCloseTo(0.84 * made, 6)
    const { marks, pieces } = half('o_ring', 'under_connector')
    const [leg, sits] = [marks.connector_leg, marks.connector_diameter]
    const ring = pieces.find((each) => each.what === 'disc')
    const lowest = ring && 'radius' in ring ? ring.at[1] - ring.radius : NaN
    expect(lowest).toBeCloseTo(sits?.along === 'diameter' ? sits.r : NaN, 6)
    expect(leg?.along === 'x' ? leg.to - leg.from : NaN).toBeCloseTo(1.33 * made, 6)
  })
  it('is pressed flatter than it is made', () => {
    const made = USUAL_SEALS.o_ring?.section_mm ?? 0
    for (const state of ['seated', 'in_bore'] as const) {
      const radii = rubberOf(state).filter((_, i) => i % 2 === 1)
      expect(Math.max(...radii) - Math.min(...radii)).toBeLessThan(0.85 * made)
    }
    const along = rubberOf('in_face').filter((_, i) => i % 2 === 0)
    expect(Math.max(...along) - Math.min(...along)).toBeLessThan(0.85 * made)
  })
})
