import {
  across,
  box,
  circle,
  curve,
  ellipse,
  line,
  mirrored,
  path,
  upright,
  type Drawer,
  type Point,
  type Shape,
} from './sketch'

/** Where a true size lies against a zone, and what a tank, drum or cylinder holds. */
const bell = (mean: number, u: number, high: number): ((x: number) => number) =>
  (x) => -high * Math.exp(-((x - mean) ** 2) / (2 * u * u)) // prettier-ignore
const under = (low: number, high: number, y: (x: number) => number): Point[] => [
  [low, 0],
  ...curve(low, high, y),
  [high, 0],
]

/** How the true size is spread about the reading, over the zone. */
const conformance: Drawer = (v) => {
  const low = v.signed('lower_um') ?? 2
  const high = Math.max(v.signed('upper_um') ?? 11, low + 1e-6)
  const y = v.signed('measured_um') ?? (low + high) / 2
  const u = v.get('standard_uncertainty_um', (high - low) / 3)
  const tall = 0.5 * Math.max(high - low, 4 * u)
  const [left, right] = [Math.min(low, y - 3.2 * u), Math.max(high, y + 3.2 * u)]
  const found = bell(y, u, tall)
  const inside: [number, number] = [
    Math.min(Math.max(low, left), right),
    Math.max(Math.min(high, right), left),
  ]
  return {
    shapes: [
      box('part', low, 0, high, 0.16 * tall),
      ...(inside[0] < inside[1] ? [path('share', under(...inside, found))] : []),
      path('line', curve(left, right, found), true),
      line('line', [left, 0], [right, 0]),
      line('axis', [y, 0.3 * tall], [y, -1.12 * tall]),
    ],
    dimensions: [],
    notes: [
      { name: 'lower_um', at: [low, 0.16 * tall], dx: -0.12, dy: 0.14 },
      { name: 'upper_um', at: [high, 0.16 * tall], dx: 0.06, dy: 0.14 },
      { name: 'measured_um', at: [y, -1.1 * tall], dx: 0.06, dy: -0.06 },
    ],
  }
}
/** The part of a zone that a reading must lie in. */
const acceptance: Drawer = (v) => {
  const w = v.get('zone_width_um', 16)
  const a = v.between('acceptance_width_um', 0, w * 1.0001, 0.8 * w)
  const h = 0.2 * w
  return {
    shapes: [box('part', 0, 0, w, h), box('share', (w - a) / 2, 0, (w + a) / 2, h)],
    dimensions: [
      across('zone_width_um', 0, w, h, 1),
      across('acceptance_width_um', (w - a) / 2, (w + a) / 2, 0, -1),
    ],
  }
}
/** What was thought, what was read, and both together. */
const prior: Drawer = (v) => {
  const m0 = v.signed('prior_mean_um') ?? 6
  const s0 = v.get('prior_sd_um', 3)
  const y = v.signed('measured_um') ?? m0
  const u = v.get('standard_uncertainty_um', s0)
  const w = 1 / (s0 * s0) + 1 / (u * u)
  const [mean, sd] = [(m0 / (s0 * s0) + y / (u * u)) / w, Math.sqrt(1 / w)]
  const left = Math.min(m0 - 3 * s0, y - 3 * u)
  const right = Math.max(m0 + 3 * s0, y + 3 * u)
  const tall = 0.36 * (right - left)
  const high = (s: number): number => (tall * sd) / s
  return {
    shapes: [
      path('share', under(mean - 3.2 * sd, mean + 3.2 * sd, bell(mean, sd, high(sd)))),
      path('ghost', curve(left, right, bell(m0, s0, high(s0))), true),
      path('line', curve(left, right, bell(y, u, high(u))), true),
      line('line', [left, 0], [right, 0]),
    ],
    dimensions: [],
    notes: [
      { name: 'prior_mean_um', at: [m0 - s0, -0.6 * high(s0)], dx: -0.24, dy: -0.1 },
      { name: 'measured_um', at: [y + u, -0.6 * high(u)], dx: 0.14, dy: -0.04 },
      { name: 'mean_um', at: [mean, -high(sd)], dx: -0.04, dy: -0.08 },
    ],
  }
}

/** A box filled to a level, in parallel projection. */
const tank: Drawer = (v) => {
  const [l, b, h] = [v.get('length_mm', 500), v.get('breadth_mm', 300), v.get('level_mm', 200)]
  const top = 1.3 * h
  const [x, y] = [0.5 * b * Math.cos(0.7), -0.5 * b * Math.sin(0.7)]
  const edge = (from: Point, to: Point): Shape => line('line', from, to)
  return {
    shapes: [
      box('oil', 0, -h, l, 0),
      path('oil', [[0, -h], [x, y - h], [l + x, y - h], [l, -h]]), // prettier-ignore
      path('oil', [[l, 0], [l, -h], [l + x, y - h], [l + x, y]]), // prettier-ignore
      path('line', [[0, -top], [0, 0], [l, 0], [l, -top]], true), // prettier-ignore
      edge([l, 0], [l + x, y]),
      edge([l + x, y], [l + x, y - top]),
      path('line', [[0, -top], [x, y - top], [l + x, y - top], [l, -top], [0, -top]], true), // prettier-ignore
    ],
    dimensions: [across('length_mm', 0, l, 0, 1), upright('level_mm', -h, 0, 0, -1)],
    notes: [{ name: 'breadth_mm', at: [l + x / 2, y / 2], dx: 0.05, dy: 0.1 }],
  }
}
/** A drum lying, seen from its end, filled to a level. */
const drum: Drawer = (v) => {
  const d = v.get('inside_mm', 600)
  const level = v.between('level_mm', 0, d * 1.0001, d / 2)
  const L = v.get('length_mm', 1.6 * d)
  const r = d / 2
  const half = (y: number): number => Math.sqrt(Math.max(r * r - y * y, 0))
  const arc = curve(r - level, r, (y) => y).map(([, y]): Point => [half(y), y])
  const oil: Point[] = [...arc, ...[...arc].reverse().map(([x, y]): Point => [-x, y])]
  const side = 1.35 * r
  return {
    shapes: [
      path('oil', oil),
      circle('line', [0, 0], r),
      box('oil', side, r - level, side + L, r),
      box('line', side, -r, side + L, r),
    ],
    dimensions: [
      across('inside_mm', -r, r, -r, -1),
      upright('level_mm', r - level, r, -r, -1),
      across('length_mm', side, side + L, r, 1),
    ],
  }
}
/** A cylinder with its piston at the end of its stroke. */
const cylinder: Drawer = (v) => {
  const D = v.get('bore_mm', 63)
  const rod = v.between('rod_mm', 0, D, 0.57 * D)
  const stroke = v.get('stroke_mm', 4 * D)
  const [r, p, wall, t] = [D / 2, rod / 2, 0.14 * D, 0.5 * D]
  const end = stroke + t
  return {
    shapes: [
      ...mirrored([
        box('part', -wall, r, end + wall, r + wall),
        box('part', end, p, end + wall, r),
        box('part', -wall, 0, 0, r),
        box('oil', 0, 0, stroke, r),
        box('other', stroke, 0, end, r),
        box('whole', end, 0, end + 0.6 * stroke, p),
      ]),
      line('axis', [-2 * wall, 0], [end + 0.66 * stroke, 0]),
    ],
    dimensions: [
      upright('bore_mm', -r, r, -wall, -1),
      upright('rod_mm', -p, p, end + 0.6 * stroke, 1),
      across('stroke_mm', 0, stroke, r + wall, 1),
    ],
  }
}
/** A shaft turning under its lip. */
const lip: Drawer = (v) => {
  const d = v.get('shaft_mm', 50)
  const r = d / 2
  return {
    shapes: [
      circle('part', [0, 0], 1.5 * r),
      circle('rubber', [0, 0], 1.22 * r),
      circle('other', [0, 0], r),
      ellipse('line', [0, 0], 0.06 * r, 0.06 * r),
    ],
    dimensions: [across('shaft_mm', -r, r, 1.5 * r, 1)],
    notes: [
      { name: 'rpm', at: [0.5 * r, -0.5 * r], dx: 0.3, dy: -0.12 },
      { name: 'speed_m_s', at: [0.5 * r, -0.5 * r], dx: 0.3, dy: 0 },
    ],
  }
}

export const SHARES: Readonly<Record<string, Drawer>> = {
  conformance_probability: conformance,
  acceptance_width: acceptance,
  with_prior: prior,
  box_volume: tank,
  drum_volume: drum,
  cylinder_volumes: cylinder,
  lip_speed: lip,
  rpm_for_lip_speed: lip,
}
