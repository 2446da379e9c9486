import { USUAL_SEALS } from './seals'
import type { PartSize } from './geometry'

/** Dimensions by their contract names, as a drawing wants them. */
export function partSize(
  kind: string,
  dimensions: Readonly<Record<string, number>>,
  element_mm: number,
): PartSize {
  if (kind in USUAL_SEALS) return ofSeal(kind, dimensions)
  const { d_mm, Fw_mm, D_mm, B_mm, T_mm, C_mm } = dimensions
  return {
    kind,
    d_mm: d_mm ?? Fw_mm ?? 0,
    D_mm: D_mm ?? 0,
    B_mm: B_mm ?? T_mm ?? C_mm ?? 1,
    T_mm: T_mm ?? null,
    C_mm: C_mm ?? null,
    ball_mm: element_mm,
  }
}

/** A seal, ring or small part: its own dimensions, and the extent that any drawing asks for. */
function ofSeal(kind: string, dimensions: Readonly<Record<string, number>>): PartSize {
  return { kind, sizes: { ...dimensions }, d_mm: 0, D_mm: 0, B_mm: 1, ball_mm: 0 }
}

/** A part of usual proportions, drawn faint while nothing is known; for pictures of kinds too. */
export const USUAL: Record<string, PartSize> = Object.fromEntries(
  (
    [
      ['deep_groove', 25, 52, 15, null, null, 7.9],
      ['angular_contact', 25, 52, 15, null, null, 7.9],
      ['deep_groove_double', 25, 52, 18, null, null, 6.5],
      ['double_row_angular', 25, 52, 20.6, null, null, 6.5],
      ['hub_unit', 35, 72, 33, null, null, 11],
      ['four_point', 25, 52, 15, null, null, 7.9],
      ['self_aligning', 25, 52, 18, null, null, 5.7],
      ['thin_section', 101.6, 114.3, 6.35, null, null, 3.7],
      ['cylindrical_n', 25, 52, 15, null, null, 6.75],
      ['cylindrical_nu', 25, 52, 15, null, null, 6.75],
      ['cylindrical_nj', 25, 52, 15, null, null, 6.75],
      ['cylindrical_nup', 25, 52, 15, null, null, 6.75],
      ['cylindrical_nf', 25, 52, 15, null, null, 6.75],
      ['double_row_cylindrical', 25, 47, 16, null, null, 5.5],
      ['full_complement', 25, 47, 16, null, null, 5.5],
      ['full_complement_double', 25, 47, 30, null, null, 5.5],
      ['angle_ring', 30, 41.4, 4, null, null, 0],
      ['spherical_roller', 25, 52, 18, null, null, 6.5],
      ['taper', 25, 52, 15, 16.25, 13, 6.5],
      ['inch_taper', 19.05, 45.24, 16.64, 15.49, 12.07, 6.3],
      ['metric_cone', 25, 0, 15, null, null, 7.5],
      ['metric_cup', 0, 52, 13, null, 13, 6.5],
      ['inch_cone', 19.05, 0, 16.64, null, null, 8.3],
      ['inch_cup', 0, 45.24, 12.07, null, 12.07, 6],
      ['thrust_ball', 25, 42, 11, 11, null, 5.1],
      ['thrust_ball_double', 25, 52, 29, 29, null, 8.1],
      ['thrust_roller', 25, 42, 11, 11, null, 5.1],
      ['spherical_thrust', 60, 130, 42, 42, null, 21],
      ['thrust_needle', 25, 42, 2, 2, null, 2],
      ['thrust_washer', 25, 42, 1, 1, null, 0],
      ['drawn_cup', 25, 32, 16, null, 16, 2.5],
      ['drawn_cup_closed', 25, 32, 16, null, 16, 2.5],
      ['needle_no_ring', 25, 33, 16, null, 16, 2],
      ['needle_ring', 25, 42, 17, null, null, 2.2],
      ['needle_angular', 25, 42, 23, null, 23, 2.2],
      ['needle_thrust', 25, 37, 30, null, 30, 3],
      ['joint_cross', 0, 27, 74.6, null, 74.6, 2.4],
      ['needle_cage', 25, 30, 17, null, 17, 2.5],
      ['track_roller_yoke', 20, 47, 25, null, 24, 2.2],
      ['track_roller_stud', 12, 30, 14, null, 14, 2.3],
      ['track_roller_ball', 20, 52, 14, null, 14, 8],
      ['insert', 25, 52, 34.1, null, 17, 7.9],
      ['spherical_plain', 25, 42, 20, null, 16, 0],
    ] as const
  ).map(([kind, d_mm, D_mm, B_mm, T_mm, C_mm, ball_mm]) => [
    kind,
    { kind, d_mm, D_mm, B_mm, T_mm, C_mm, ball_mm },
  ]),
)
export function usual(kind: string): PartSize {
  const seal = USUAL_SEALS[kind]
  return seal ? ofSeal(kind, seal) : (USUAL[kind] ?? (USUAL.deep_groove as PartSize))
}
