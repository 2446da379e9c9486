import {
  about,
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
  type Note,
  type Numbers,
  type Shape,
  type Sketch,
} from './sketch'

/** Rings on shafts, bearings and their balls, tapers and angles. */
interface RingNames {
  bore?: string
  outside?: string
  width?: string
  hollow?: string
  raceway?: string
  /** A word at the joint: an interference, a temperature. */
  joint?: string
  ball?: boolean
  /** A housing about the outside in place of a shaft within. */
  housed?: boolean
}
const ring =
  (names: RingNames): Drawer =>
  (v): Sketch => {
    const given = names.outside ? v.get(names.outside, 0) : 0
    const d = v.get(names.bore ?? '', given ? given / 2 : 50)
    const D = names.raceway
      ? v.between(names.raceway, d, 4 * d, 1.2 * d)
      : v.between(names.outside ?? '', d, 40 * d, names.ball ? 1.8 * d : 2 * d)
    const B = v.get(names.width ?? '', names.ball ? (D - d) / 2 : 0.8 * d)
    const hollow = names.hollow ? v.between(names.hollow, 0, d, 0) : 0
    const [r, R, x] = [d / 2, D / 2, B / 2]
    const over = x + 0.45 * Math.max(B, 0.5 * d)
    const upper: Shape[] = []
    if (names.housed) upper.push(box('other', -x, r, x, R), box('part', -over, R, over, 1.35 * R))
    else {
      upper.push(box('other', -over, hollow / 2, over, r))
      if (!names.ball) upper.push(box('part', -x, r, x, R))
    }
    if (names.ball) {
      const t = (R - r) * 0.26
      if (!names.housed) upper.push(box('part', -x, r, x, r + t), box('part', -x, R - t, x, R))
      upper.push(circle('whole', [0, (r + R) / 2], (R - r) / 2 - 0.6 * t))
    }
    const dimensions = [
      ...(names.bore ? [upright(names.bore, -r, r, -over, -1)] : []),
      ...(names.outside || names.raceway
        ? [upright(names.outside ?? names.raceway ?? '', -R, R, over, 1)]
        : []),
      ...(names.width ? [across(names.width, -x, x, names.housed ? 1.35 * R : R, 1)] : []),
      ...(names.hollow && hollow ? [upright(names.hollow, -hollow / 2, hollow / 2, -over, -2)] : []),
    ]
    const notes: Note[] = names.joint
      ? [{ name: names.joint, at: [-x, names.housed ? -R : -r], dx: -0.12, dy: names.housed ? 0.14 : -0.17 }]
      : []
    return {
      shapes: [...mirrored(upper), line('axis', [-1.15 * over, 0], [1.15 * over, 0])],
      dimensions,
      notes,
    }
  }

/** A ring pushed up a taper: where it stood, and where it stands. */
const taper: Drawer = (v) => {
  const slope = 1 / v.get('taper_one_in', 12)
  const up = v.get('drive_up_mm', 0.6)
  const [d, B] = [8 * up + 10, 6 * up + 6]
  const at = (x: number): number => d / 2 + (x * slope) / 2
  const ringAt = (x: number): Shape =>
    path(x ? 'part' : 'ghost', [
      [x, at(x)],
      [x + B, at(x + B)],
      [x + B, d],
      [x, d],
    ])
  return {
    shapes: [
      ...mirrored([
        path('other', [
          [-0.5 * B, 0],
          [1.8 * B, 0],
          [1.8 * B, at(1.8 * B)],
          [-0.5 * B, at(-0.5 * B)],
        ]),
        ringAt(0),
        ringAt(up),
      ]),
      line('axis', [-0.7 * B, 0], [2 * B, 0]),
    ],
    dimensions: [across('drive_up_mm', 0, up, -d, -1)],
    notes: [
      { name: 'taper_one_in', at: [1.5 * B, -at(1.5 * B)], dx: 0.1, dy: -0.24 },
      { name: 'diametral_um', at: [B, at(B)], dx: 0.3, dy: 0.3 },
    ],
  }
}

/** A bearing of barrel rollers on a taper: how much of its clearance driving it up takes. */
const reduction: Drawer = (v) => {
  const d = v.get('bore_mm', 50)
  const [r, x, R] = [d / 2, 0.26 * d, 0.98 * d]
  const at = (place: number): number => r + (place + x) / 24
  return {
    shapes: [
      ...mirrored([
        path('other', [
          [-1.8 * x, 0],
          [1.8 * x, 0],
          [1.8 * x, at(1.8 * x)],
          [-1.8 * x, at(-1.8 * x)],
        ]),
        path('part', [
          [-x, at(-x)],
          [x, at(x)],
          [x, 0.64 * d],
          [0.1 * x, 0.6 * d],
          [-0.1 * x, 0.6 * d],
          [-x, 0.64 * d],
        ]),
        path('part', [
          [-x, R],
          [x, R],
          [x, 0.84 * d],
          [0, 0.89 * d],
          [-x, 0.84 * d],
        ]),
        ellipse('whole', [-0.5 * x, 0.74 * d], 0.44 * x, 0.12 * d),
        ellipse('whole', [0.5 * x, 0.74 * d], 0.44 * x, 0.12 * d),
      ]),
      line('axis', [-2.1 * x, 0], [2.1 * x, 0]),
    ],
    dimensions: [upright('bore_mm', -r, r, -1.8 * x, -1)],
    notes: [
      { name: 'reduction_max_um', at: [0.6 * x, -0.86 * d], dx: 0.16, dy: -0.02 },
      { name: 'reduction_min_um', at: [0.6 * x, 0.86 * d], dx: 0.16, dy: 0.02 },
    ],
  }
}

interface BallNames {
  count?: string
  element: string
  pitch: string
}
const balls =
  (
    names: BallNames,
    beside: (v: Numbers, pitch: number, ball: number) => Partial<Sketch> = () => ({}),
  ): Drawer =>
  (v) => {
    const count = Math.round(v.between(names.count ?? '', 2, 60, 9))
    const inch = v.get(names.pitch.replace('_mm', '_in'), 0)
    const own = (name: string): string => (inch ? name.replace('_mm', '_in') : name)
    const pitch = v.get(own(names.pitch), 80)
    const ball = v.between(
      own(names.element),
      0,
      pitch * Math.sin(Math.PI / count),
      0.7 * pitch * Math.sin(Math.PI / count),
    )
    const r = pitch / 2
    const more = beside(v, pitch, ball)
    const rim = r + 0.85 * ball
    return {
      shapes: [
        circle('part', [0, 0], rim),
        circle('line', [0, 0], r + 0.46 * ball),
        ...(more.shapes ?? []),
        circle('axis', [0, 0], r),
        ...about(count, r).map((at) => circle('whole', at, ball / 2)),
        circle('line', [0, 0], r - 0.46 * ball),
        circle('other', [0, 0], r - 0.85 * ball),
      ],
      dimensions: [
        across(own(names.pitch), -r, r, -rim, -1),
        upright(own(names.element), r - ball / 2, r + ball / 2, rim, 1),
        ...(more.dimensions ?? []),
      ],
      notes: more.notes ?? [],
    }
  }

/** The oil stands to the middle of the lowest element. */
const oilLevel = balls({ element: 'element_mm', pitch: 'pitch_mm' }, (_, pitch, ball) => {
  const rim = pitch / 2 + 0.85 * ball
  const level = pitch / 2
  const half = Math.sqrt(Math.max(rim * rim - level * level, 0))
  return {
    shapes: [
      path(
        'oil',
        curve(-half, half, (x) => Math.sqrt(Math.max(rim * rim - x * x, 0))),
      ),
    ],
    dimensions: [
      upright('centre_of_lowest_mm', 0, pitch / 2, -rim, -1),
      upright('lowest_point_mm', 0, pitch / 2 + ball / 2, -rim, -2),
    ],
  }
})

/** More are not told apart on a page. */
const MOST_NEEDLES = 200
const needles: Drawer = (v) => {
  const [Fw, n] = [v.get('inside_mm', 20), v.get('needle_mm', 2.5)]
  const E = v.between('outside_mm', Fw + n, Fw + 4 * n, Fw + 2 * n)
  const pitch = (E + Fw) / 2
  const count = Math.round(
    v.between('needles', 2, 200, Math.min(MOST_NEEDLES, Math.floor(Math.PI / Math.asin(n / pitch)))),
  )
  const rim = E / 2 + n
  return {
    shapes: [
      circle('part', [0, 0], rim),
      circle('line', [0, 0], E / 2),
      ...about(count, pitch / 2).map((at) => circle('whole', at, n / 2)),
      circle('other', [0, 0], Fw / 2),
    ],
    dimensions: [
      across('inside_mm', -Fw / 2, Fw / 2, rim, 1),
      across('outside_mm', -E / 2, E / 2, rim, 2),
      upright('needle_mm', pitch / 2 - n / 2, pitch / 2 + n / 2, rim, 1),
    ],
    notes: [
      { name: 'needles', at: [pitch / 2.83, -pitch / 2.83], dx: 0.3, dy: -0.16 },
      { name: 'gap_mm', at: [pitch / 2.83, -pitch / 2.83], dx: 0.3, dy: -0.05 },
      { name: 'diametral_play_mm', at: [pitch / 2.83, -pitch / 2.83], dx: 0.3, dy: -0.16 },
    ],
  }
}

/** The line of contact of a ball or roller and its angle to the radius. */
const contact: Drawer = (v) => {
  const angle = (v.between('contact_angle_deg', 0, 89, 15) * Math.PI) / 180
  const [x, y] = [Math.sin(angle), Math.cos(angle)]
  return {
    shapes: [
      box('other', -1.5, 0.55, 1.5, 1.5),
      box('part', -1.5, -1.5, 1.5, -0.55),
      circle('whole', [0, 0], 1),
      line('axis', [0, -2], [0, 2]),
      line('line', [-1.9 * x, 1.9 * y], [1.9 * x, -1.9 * y]),
    ],
    dimensions: [],
    notes: [
      {
        name: 'contact_angle_deg',
        at: [0.9 * 1.7 * Math.sin(angle / 2), -0.9 * 1.7 * Math.cos(angle / 2)],
        dx: 0.22,
        dy: -0.1,
      },
    ],
  }
}

export const ROUNDS: Readonly<Record<string, Drawer>> = {
  effective_interference: ring({ bore: 'bore_mm', joint: 'interference_um' }),
  interference_lost: ring({ bore: 'bore_mm', width: 'width_mm', joint: 'by_load_um' }),
  raceway_growth: ring({
    bore: 'bore_mm',
    raceway: 'raceway_mm',
    hollow: 'hollow_mm',
    joint: 'effective_interference_um',
  }),
  heating_for_interference: ring({ bore: 'bore_mm', joint: 'interference_um' }),
  heating_for_zone: ring({ bore: 'bore_mm', joint: 'most_interference_um' }),
  chill_for_interference: ring({ bore: 'shaft_mm', joint: 'interference_um' }),
  heat_ring_and_chill_shaft: ring({ bore: 'bore_mm', joint: 'interference_um' }),
  housing_looser_when_warm: ring({ outside: 'outside_mm', ball: true, housed: true, joint: 'looser_um' }),
  press_fit: ring({
    bore: 'diameter_mm',
    outside: 'hub_outside_mm',
    width: 'length_mm',
    hollow: 'shaft_bore_mm',
    joint: 'effective_interference_um',
  }),
  interference_for_torque: ring({
    bore: 'diameter_mm',
    outside: 'hub_outside_mm',
    width: 'length_mm',
    joint: 'effective_interference_um',
  }),
  n_dm: ring({ bore: 'bore_mm', outside: 'outside_mm', ball: true }),
  rpm_for_n_dm: ring({ bore: 'bore_mm', outside: 'outside_mm', ball: true }),
  free_space: ring({ bore: 'bore_mm', outside: 'outside_mm', width: 'width_mm', ball: true }),
  grease_refill: ring({ outside: 'outside_mm', width: 'width_mm', ball: true }),
  taper_drive_up: taper,
  clearance_reduction_spherical_roller_taper_bore: reduction,
  bearing_frequencies: balls({ count: 'balls', element: 'ball_mm', pitch: 'pitch_mm' }),
  oil_level_under_shaft_centre: oilLevel,
  needles_full_complement: needles,
  needles_radial_play: needles,
  radial_from_end_play: contact,
  taper_factors_from_angle: contact,
}
