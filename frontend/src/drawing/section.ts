import { angular, ball, fourPoint, insert, twoBalls } from './bearings/balls'
import { jointCross, needle, needleWithBalls, track } from './bearings/needles'
import { sphericalPlain } from './bearings/plain'
import { angleRing, cylindrical, FLANGES, ROWS, spherical, taper } from './bearings/rollers'
import { thrust } from './bearings/thrust'
import type { Half, PartSize } from './geometry'
import { sealSection, type RingState } from './seals'

/** The half above the axis of a part of its kind. */
export function halfSection(size: PartSize, closure = 'open', state: RingState = 'free'): Half {
  const kind = size.kind ?? 'deep_groove'
  const seal = sealSection(size, state)
  if (seal) return seal
  if (kind === 'angular_contact') return angular(size)
  if (kind === 'four_point') return fourPoint(size)
  if (['double_row_angular', 'deep_groove_double', 'hub_unit'].includes(kind))
    return twoBalls(size, closure, false)
  if (kind === 'self_aligning') return twoBalls(size, closure, true)
  if (kind === 'spherical_roller') return spherical(size)
  if (kind === 'angle_ring') return angleRing(size)
  if (kind in FLANGES) return cylindrical(size, ROWS[kind] ?? 1)
  if (kind === 'taper' || /^(inch|metric)_/.test(kind)) return taper(size)
  if (kind === 'joint_cross') return jointCross(size)
  if (kind === 'needle_thrust' || kind === 'needle_angular') return needleWithBalls(size)
  if (kind === 'spherical_plain') return sphericalPlain(size, closure)
  if (kind.includes('thrust')) return thrust(size)
  if (kind.startsWith('drawn_cup') || kind.startsWith('needle_')) return needle(size)
  if (kind.startsWith('track_roller')) return track(size, closure)
  if (kind === 'insert') return insert(size)
  return ball(size, closure)
}
