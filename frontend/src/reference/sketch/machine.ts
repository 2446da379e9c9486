import {
  across,
  box,
  circle,
  line,
  mirrored,
  path,
  upright,
  type Dimension,
  type Drawer,
  type Point,
  type Shape,
} from './sketch'

/** Belts, couplings, feet and shims, keys, retaining rings, threads. */
const belt: Drawer = (v) => {
  const a = v.get('centres_mm', 500)
  const R = v.between('large_mm', 0, 2 * a, 0.4 * a) / 2
  const r = v.between('small_mm', 0, 2 * (a - R), Math.min(0.2 * a, a - R)) / 2
  const lean = Math.asin(Math.max(-1, Math.min(1, (R - r) / a)))
  const [s, c] = [Math.sin(lean), Math.cos(lean)]
  return {
    shapes: [
      circle('part', [0, 0], R),
      circle('part', [a, 0], r),
      ...mirrored([line('line', [R * s, -R * c], [a + r * s, -r * c])]),
      line('axis', [-1.1 * R, 0], [a + 1.3 * r, 0]),
    ],
    dimensions: [
      across('centres_mm', 0, a, R, 1),
      upright('large_mm', -R, R, -R, -1),
      upright('small_mm', -r, r, a + r, 1),
    ],
  }
}
const driven: Drawer = (v) => {
  const [D, d] = [v.get('driver_mm', 100), v.get('driven_mm', 200)]
  const a = 1.1 * (D + d)
  const [R, r] = [D / 2, d / 2]
  const lean = Math.asin((R - r) / a)
  const [s, c] = [Math.sin(lean), Math.cos(lean)]
  const top = Math.max(R, r)
  return {
    shapes: [
      circle('part', [0, 0], R),
      circle('part', [a, 0], r),
      ...mirrored([line('line', [R * s, -R * c], [a + r * s, -r * c])]),
    ],
    dimensions: [across('driver_mm', -R, R, top, 1), across('driven_mm', a - r, a + r, top, 1)],
    notes: [
      { name: 'driver_rpm', at: [0, -R], dx: -0.02, dy: -0.1 },
      { name: 'driven_rpm', at: [a, -r], dx: -0.02, dy: -0.1 },
    ],
  }
}
/** A belt pressed down in the middle of its span; the sag drawn larger than it is. */
const sag: Drawer = (v) => {
  const span = v.get('span_mm', 1000)
  const down = 0.09 * span
  const r = 0.14 * span
  return {
    shapes: [
      circle('part', [0, r], r),
      circle('part', [span, r], r),
      line('ghost', [0, 0], [span, 0]),
      path('line', [[0, 0], [span / 2, down], [span, 0]], true), // prettier-ignore
    ],
    dimensions: [across('span_mm', 0, span, 2 * r, 1)],
    notes: [{ name: 'sag_mm', at: [span / 2, down], dx: 0.05, dy: 0.16 }],
  }
}

/** Two halves of a coupling, out of line by more than they are, and the dial on one of them. */
const halves =
  (names: { offset?: string; rim?: string; angle?: string; face?: string; swing?: string }): Drawer =>
  (v) => {
    const [D, tilt] = [1, names.angle ? 0.06 : 0]
    const low = names.offset ? 0.08 : 0
    const half = (x1: number, x2: number, y: number): Shape[] => [
      box('part', x1, y - D / 2, x2, y + D / 2),
      box('other', x1 < 0 ? x1 - 0.7 : x2, y - 0.16, x1 < 0 ? x1 : x2 + 0.7, y + 0.16),
    ]
    const lean = (shape: Shape): Shape =>
      shape.form === 'path'
        ? { ...shape, points: shape.points.map(([x, y]): Point => [x - y * tilt, y + (x - 0.06) * tilt]) }
        : shape
    const dial: Shape[] = [
      line('line', [-0.25, -D / 2 - 0.02], [-0.25, -D / 2 - 0.3]),
      line('line', [-0.25, -D / 2 - 0.3], [0.2, -D / 2 - 0.3]),
      circle('whole', [0.2, -D / 2 - 0.18 + low], 0.1),
      line('line', [0.2, -D / 2 - 0.08 + low], [0.2, -D / 2 + low]),
    ]
    return {
      shapes: [
        ...half(-0.42, -0.06, 0),
        ...half(0.06, 0.42, low).map(lean),
        ...dial,
        line('axis', [-1.25, 0], [1.2, 0]),
        ...(low ? [line('axis', [0, low], [1.2, low])] : []),
      ],
      dimensions: v.get(names.swing ?? '', 0) ? [upright(names.swing ?? '', -D / 2, D / 2, -1.12, -1)] : [],
      notes: [
        ...(names.rim ? [{ name: names.rim, at: [0.3, -D / 2 - 0.18] as Point, dx: 0.1, dy: -0.04 }] : []),
        ...(names.face ? [{ name: names.face, at: [0.3, -D / 2 - 0.18] as Point, dx: 0.1, dy: -0.04 }] : []),
        ...(names.offset ? [{ name: names.offset, at: [0.9, low] as Point, dx: 0.04, dy: 0.16 }] : []),
        ...(names.angle ? [{ name: names.angle, at: [0, D / 2] as Point, dx: -0.08, dy: 0.03 }] : []),
      ],
    }
  }

/** A machine on its feet beside the coupling: distances to scale, what goes under a foot larger than it is. */
const feet: Drawer = (v) => {
  const front = v.get('front_feet_mm', 300)
  const rear = v.between('rear_feet_mm', front, 100 * front, 2.6 * front)
  const D = v.between('coupling_diameter_mm', 0, 3 * front, 0.6 * front)
  const [h, base] = [0.42 * rear, 0.3 * rear]
  const foot = (x: number): Shape[] => [
    box('part', x - 0.05 * rear, base - 0.06 * rear, x + 0.05 * rear, base),
  ]
  return {
    shapes: [
      box('part', -0.06 * rear, -D / 2, 0, D / 2),
      box('ghost', -0.14 * rear, -D / 2, -0.08 * rear, D / 2),
      box('other', 0, -0.03 * rear, front - 0.1 * rear, 0.03 * rear),
      box('whole', front - 0.1 * rear, base - h - 0.06 * rear, rear + 0.1 * rear, base - 0.06 * rear),
      ...foot(front),
      ...foot(rear),
      line('line', [-0.1 * rear, base], [1.2 * rear, base]),
      line('axis', [-0.2 * rear, 0], [1.2 * rear, 0]),
    ],
    dimensions: [
      across('front_feet_mm', 0, front, base, 1),
      across('rear_feet_mm', 0, rear, base, 2),
      upright('coupling_diameter_mm', -D / 2, D / 2, -0.14 * rear, -1),
    ],
    notes: [
      { name: 'add_front_mm', at: [front, base], dx: 0.03, dy: -0.13 },
      { name: 'add_rear_mm', at: [rear, base], dx: 0.03, dy: -0.13 },
    ],
  }
}
/** Two machines, each rising from its feet. */
const rising: Drawer = (v) => {
  const a = v.get('moving_height_mm', 300)
  const b = v.get('fixed_height_mm', 300)
  const w = 0.9 * Math.max(a, b)
  const machine = (x: number, high: number): Shape[] => [
    box('whole', x, -1.35 * high, x + w, 0),
    line('axis', [x - 0.15 * w, -high], [x + 1.15 * w, -high]),
  ]
  return {
    shapes: [...machine(0, b), ...machine(1.5 * w, a), line('line', [-0.1 * w, 0], [2.6 * w, 0])],
    dimensions: [upright('fixed_height_mm', -b, 0, 0, -1), upright('moving_height_mm', -a, 0, 2.5 * w, 1)],
    notes: [{ name: 'set_moving_low_mm', at: [1.2 * w, -b], dx: -0.2, dy: -0.12 }],
  }
}

/** Parts laid end to end in the room they have, and the shim that fills what is left. */
const stack: Drawer = (v) => {
  const parts = v.several('parts_mm').slice(0, 12)
  const told = v.get('room_mm', 100)
  const held = parts.length ? parts : [0.4 * told, 0.585 * told]
  const sum = held.reduce((total, each) => total + each, 0)
  const room = v.between('room_mm', sum, 10 * sum, 1.02 * sum)
  const shim = v.between('shim_mm', 0, room - sum + 1e-9, (room - sum) * 0.9)
  const h = 0.26 * room
  let at = 0
  const laid = held.map((each, i) => {
    at += each
    return box(i % 2 ? 'part' : 'other', at - each, -h, at, 0)
  })
  const wall = 0.07 * room
  return {
    shapes: [
      path('whole', [[-wall, -h], [0, -h], [0, 0], [room, 0], [room, -h], [room + wall, -h], [room + wall, wall], [-wall, wall]]), // prettier-ignore
      ...laid,
      ...(shim > 0 ? [box('shim', sum, -h, sum + Math.max(shim, 0.004 * room), 0)] : []),
    ],
    dimensions: [across('room_mm', 0, room, wall, 1), across('gap_mm', sum, room, -h, -1)],
    notes: [{ name: 'shim_mm', at: [sum, -h], dx: -0.14, dy: -0.08 }],
  }
}
/** A cover bolted down until the play is gone, and the gap under its flange. */
const flange: Drawer = () => {
  return {
    shapes: [
      box('part', 0, 0, 1.6, 0.9),
      box('other', 0.34, -0.1, 1.26, 0.32),
      path('other', [[-0.1, -0.42], [1.7, -0.42], [1.7, -0.1], [-0.1, -0.1]]), // prettier-ignore
      box('shim', 0, -0.1, 0.3, 0),
      box('shim', 1.3, -0.1, 1.6, 0),
      box('whole', 0.34, 0.32, 1.26, 0.9),
      line('axis', [0.8, -0.55], [0.8, 1]),
    ],
    dimensions: [upright('flange_gap_mm', -0.1, 0, 1.7, 1)],
    notes: [{ name: 'shim_mm', at: [0.1, -0.05], dx: -0.24, dy: 0.14 }],
  }
}
/** Leaves laid on one another. */
const leaves: Drawer = (v) => {
  const chosen = v.several('leaves').slice(0, 12)
  const told = v.get('thickness_mm', 0.35)
  const held = chosen.length ? chosen : [0.7 * told, 0.3 * told]
  const thick = held.reduce((total, each) => total + each, 0)
  let at = 0
  return {
    shapes: held.map((each, i) => {
      at += each
      return box(i % 2 ? 'part' : 'shim', 0, -at, 3.5 * thick, each - at)
    }),
    dimensions: [upright('thickness_mm', -thick, 0, 3.5 * thick, 1)],
  }
}
/** A key in its shaft, cut across. */
const key: Drawer = (v) => {
  const d = v.get('shaft_mm', v.get('width_mm', 8) * 3.2)
  const b = v.between('width_mm', 0, d, 0.3 * d)
  const h = v.between('height_mm', 0, d, 0.27 * d)
  const t1 = v.between('shaft_depth_mm', 0, h, 0.57 * h)
  const t2 = v.between('hub_depth_mm', 0, d, h - t1 + 0.04 * h)
  const r = d / 2
  const hub = 1.75 * r
  const floor = -r + t1
  return {
    shapes: [
      circle('part', [0, 0], hub),
      circle('other', [0, 0], r),
      box('whole', -b / 2, floor - h, b / 2, floor),
      line('line', [-b / 2, -r - t2], [b / 2, -r - t2]),
      line('axis', [-1.08 * hub, 0], [1.08 * hub, 0]),
    ],
    dimensions: [
      across('width_mm', -b / 2, b / 2, -hub, -1),
      upright('shaft_mm', -r, r, hub, 1),
      upright('height_mm', floor - h, floor, -hub, -1),
      upright('over_shaft_mm', floor, r, -hub, -2),
      upright('over_bore_mm', -r - t2, r, -hub, -3),
    ],
  }
}
const retaining =
  (bore: boolean): Drawer =>
  (v) => {
    const d = v.get(bore ? 'bore_mm' : 'shaft_mm', bore ? 52 : 25)
    const g = bore
      ? v.between('groove_diameter_mm', d, 2 * d, 1.055 * d)
      : v.between('groove_diameter_mm', 0, d, 0.955 * d)
    const m = v.between('groove_width_mm', 0, d, 0.05 * d)
    const s = v.between('thickness_mm', 0, m, 0.92 * m)
    const [r, rg, l] = [d / 2, g / 2, 0.45 * d]
    const far = 1.35 * r
    const wide = 0.09 * d
    const cut: Point[] = bore
      ? [[-l, r], [0, r], [0, rg], [m, rg], [m, r], [l, r], [l, far], [-l, far]]
      : [[-l, 0], [l, 0], [l, r], [m, r], [m, rg], [0, rg], [0, r], [-l, r]] // prettier-ignore
    return {
      shapes: [
        ...mirrored([
          path('part', cut),
          bore ? box('shim', m - s, rg - wide, m, rg) : box('shim', m - s, rg, m, rg + wide),
        ]),
        line('axis', [-1.15 * l, 0], [1.15 * l, 0]),
      ],
      dimensions: [
        upright(bore ? 'bore_mm' : 'shaft_mm', -r, r, -l, -1),
        upright('groove_diameter_mm', -rg, rg, l, 1),
        across('groove_width_mm', 0, m, bore ? far : r + wide, 1),
      ],
    }
  }
/** A thread cut along, to scale, and the diameter that its area counts by. */
const thread: Drawer = (v) => {
  const d = v.get('thread_mm', v.get('pitch_mm', 1.5) * 6.7)
  const P = v.between('pitch_mm', 0, d / 2, 0.15 * d)
  const [r, deep] = [d / 2, 0.6134 * P]
  const count = Math.max(3, Math.min(14, Math.ceil((0.9 * d) / P)))
  const flank = Array.from({ length: count }, (_, i): Point[] => [
    [i * P, r - deep],
    [(i + 0.44) * P, r],
    [(i + 0.56) * P, r],
  ]).flat()
  const end = count * P
  return {
    shapes: [
      ...mirrored([path('part', [[0, 0], ...flank, [end, r - deep], [end, 0]])]),
      line('axis', [-0.1 * end, 0], [1.1 * end, 0]),
    ],
    dimensions: [upright('thread_mm', -r, r, end, 1), across('pitch_mm', 0.5 * P, 1.5 * P, -r, -1)],
    notes: [{ name: 'stress_area_mm2', at: [0, 0], dx: -0.08, dy: 0.1 }],
  }
}
/** A bar, and how much longer it is warm, drawn larger than it is. */
const bar: Drawer = (v) => {
  const L = v.get('length_mm', 1000)
  const h = 0.12 * L
  const dimensions: Dimension[] = [across('length_mm', 0, L, h, 1)]
  return {
    shapes: [box('ghost', L, 0, 1.08 * L, h), box('part', 0, 0, L, h)],
    dimensions,
    notes: [{ name: 'growth_mm', at: [1.04 * L, 0], dx: -0.1, dy: -0.2 }],
  }
}

export const MACHINE: Readonly<Record<string, Drawer>> = {
  belt_length: belt,
  belt_sag: sag,
  pulley_speed: driven,
  coupling_offset_from_rim: halves({ offset: 'offset_mm', rim: 'rim_tir_mm' }),
  coupling_bar_sag: halves({ offset: 'offset_mm', rim: 'rim_bottom_minus_top_mm' }),
  coupling_angle_from_face: halves({ angle: 'slope_mrad', face: 'face_tir_mm', swing: 'swing_diameter_mm' }),
  coupling_cold_offset: rising,
  shims_for_feet: feet,
  shim_for_stack: stack,
  shim_from_flange_gap: flange,
  fewest_leaves: leaves,
  key_flank_pressure: key,
  parallel_key: key,
  keyway_width_zone: key,
  retaining_ring_shaft: retaining(false),
  retaining_ring_bore: retaining(true),
  stress_area: thread,
  proof_load: thread,
  torque_for_preload: thread,
  nut_back_off: thread,
  thermal_growth: bar,
}
