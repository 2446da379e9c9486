import {
  across,
  box,
  circle,
  ellipse,
  line,
  mirrored,
  path,
  upright,
  type Drawer,
  type Sketch,
} from './sketch'

/** Rings in their grooves. */
interface GrooveNames {
  section: string
  depth: string
  deepest?: string
  width?: string
  swell?: string
}
/** A ring squeezed into its groove; its area stays, so it is as wide as it must be. */
const groove =
  (names: GrooveNames): Drawer =>
  (v): Sketch => {
    const s = v.get(names.section, 3.53)
    const depth = v.between(names.depth, 0.3 * s, 3 * s, 0.8 * s)
    const most = names.deepest ? v.between(names.deepest, depth, 3 * s, depth) : depth
    const w = v.between(names.width ?? '', 0.5 * s, 8 * s, 1.36 * s)
    const grown = s * Math.sqrt(1 + (names.swell ? v.between(names.swell, 0, 3, 0) : 0))
    const high = Math.min(grown, depth)
    const wide = Math.min((grown * grown) / high, w)
    const [x, wall] = [w / 2, 1.1 * s]
    return {
      shapes: [
        path('part', [
          [-x - wall, 0],
          [-x, 0],
          [-x, depth],
          [x, depth],
          [x, 0],
          [x + wall, 0],
          [x + wall, depth + 0.7 * s],
          [-x - wall, depth + 0.7 * s],
        ]),
        box('other', -x - wall, -0.7 * s, x + wall, 0),
        ...(most > depth ? [line('ghost', [-x, most], [x, most])] : []),
        ellipse('rubber', [0, depth / 2], wide / 2, high / 2),
        circle('ghost', [0, depth - s / 2], s / 2),
      ],
      dimensions: [
        upright(names.depth, 0, depth, -x - wall, -1),
        ...(most > depth && names.deepest ? [upright(names.deepest, 0, most, -x - wall, -2)] : []),
        upright(names.section, depth - s, depth, x + wall, 1),
        ...(names.width ? [across(names.width, -x, x, depth + 0.7 * s, 1)] : []),
      ],
    }
  }

/** New, squeezed, and as it came out of its groove. */
const set: Drawer = (v) => {
  const s = v.get('section_mm', 3.53)
  const pressed = v.between('compressed_mm', 0.2 * s, 1.001 * s, 0.75 * s)
  const back = v.between('recovered_mm', 0.999 * pressed, 1.001 * s, (s + pressed) / 2)
  const one = (at: number, high: number): Sketch['shapes'][number] =>
    ellipse('rubber', [at, -high / 2], (s * s) / high / 2, high / 2)
  const step = 1.9 * s
  return {
    shapes: [
      line('line', [-0.8 * s, 0], [2 * step + 0.8 * s, 0]),
      one(0, s),
      one(step, pressed),
      box('other', step - 0.75 * s, -pressed - 0.25 * s, step + 0.75 * s, -pressed),
      one(2 * step, back),
    ],
    dimensions: [
      upright('section_mm', -s, 0, -0.55 * s, -1),
      upright('compressed_mm', -pressed, 0, step + 0.75 * s, 0),
      upright('recovered_mm', -back, 0, 2 * step + 0.6 * s, 1),
    ],
  }
}

/** A ring's groove in a piston or in the bore that a rod runs through. */
const glandOf =
  (mate: string, rod: boolean): Drawer =>
  (v) => {
    const D = v.get(mate, 50)
    const depth = v.between('gland_depth_mm', 0, rod ? D : D / 2, 0.056 * D)
    const [r, w] = [D / 2, 1.7 * depth]
    const floor = rod ? r + depth : r - depth
    const [far, over] = [r + 3.2 * depth, Math.max(3.2 * depth + w, 0.45 * D)]
    const grooved = (inner: number, outer: number): [number, number][] => [
      [-over, inner],
      [over, inner],
      [over, outer],
      [-over, outer],
    ]
    const cut: [number, number][] = rod
      ? [[-over, r], [-w / 2, r], [-w / 2, floor], [w / 2, floor], [w / 2, r], [over, r], [over, far], [-over, far]]
      : [[-over, 0], [over, 0], [over, r], [w / 2, r], [w / 2, floor], [-w / 2, floor], [-w / 2, r], [-over, r]] // prettier-ignore
    return {
      shapes: [
        ...mirrored([
          path('part', cut),
          path('other', rod ? grooved(0, r) : grooved(r, far)),
          ellipse('rubber', [0, (r + floor) / 2], 0.62 * depth, depth / 2),
        ]),
        line('axis', [-1.15 * over, 0], [1.15 * over, 0]),
      ],
      dimensions: [
        upright(mate, -r, r, -over, -1),
        upright('groove_diameter_mm', -floor, floor, over, 1),
        upright('gland_depth_mm', Math.min(r, floor), Math.max(r, floor), over, 2),
      ],
    }
  }

/** A ring as it lies free, seen from above. */
const plan: Drawer = (v) => {
  const inside = v.get('inside_mm', 37.69)
  const s = v.between('section_mm', 0, inside, 0.094 * inside)
  const [r, R] = [inside / 2, inside / 2 + s]
  return {
    shapes: [circle('rubber', [0, 0], R), circle('whole', [0, 0], r), circle('axis', [0, 0], (r + R) / 2)],
    dimensions: [across('inside_mm', -r, r, R, 1), across('section_mm', r, R, -0.2 * R, -1)],
  }
}

/** A ring stretched over a groove: its section grows less. */
const stretched: Drawer = (v) => {
  const [s, inside] = [v.get('section_mm', 3.53), v.get('inside_mm', 37.69)]
  const share = v.between('stretch', 0, 1, 0.03)
  const [r, mean] = [(inside / 2) * (1 + share), ((inside + s) / 2) * (1 + share)]
  const thin = s / Math.sqrt(1 + share)
  return {
    shapes: [
      circle('rubber', [0, 0], mean + thin / 2),
      circle('other', [0, 0], r),
      circle('ghost', [0, 0], inside / 2),
      circle('ghost', [0, 0], inside / 2 + s),
    ],
    dimensions: [across('inside_mm', -inside / 2, inside / 2, mean + thin / 2, 1)],
    notes: [{ name: 'stretch', at: [0.7 * r, -0.7 * r], dx: 0.24, dy: -0.12 }],
  }
}

export const SEALING: Readonly<Record<string, Drawer>> = {
  gland_basics: groove({ section: 'section_mm', depth: 'gland_depth_mm', width: 'groove_width_mm' }),
  fill_after_swell: groove({
    section: 'section_mm',
    depth: 'gland_depth_mm',
    width: 'groove_width_mm',
    swell: 'volume_swell',
  }),
  squeeze_range_static: groove({
    section: 'section_in',
    depth: 'gland_depth_min_in',
    deepest: 'gland_depth_max_in',
  }),
  squeeze_range_dynamic: groove({
    section: 'section_in',
    depth: 'gland_depth_min_in',
    deepest: 'gland_depth_max_in',
  }),
  compression_set: set,
  groove_for_piston: glandOf('bore_mm', false),
  groove_for_rod: glandOf('rod_mm', true),
  cord_length: plan,
  ring_inside_tolerance: plan,
  section_when_stretched: stretched,
}
