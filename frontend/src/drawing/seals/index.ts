import type { PartSize } from '../geometry'
import { face } from './face'
import { hydraulic } from './hydraulic'
import { lip, vRing } from './lip'
import type { RingState, SealHalf } from './pieces'
import { backup, roundRing } from './rings'
import { key, retaining, washer } from './small'

export type { Mark, RingState, SealHalf } from './pieces'
export { USUAL_SEALS } from './usual'

const ROUND = ['o_ring', 'square_ring', 'x_ring']
const HYDRAULIC = [
  'u_cup',
  'u_cup_loaded',
  'buffer',
  'wiper',
  'wiper_double',
  'wiper_cased',
  'piston_seal',
  'wear_band',
]
const WASHERS = [
  'copper_washer',
  'shim',
  'support_washer',
  'plain_thrust_washer',
  'wave_washer',
  'felt_ring',
  'tab_washer',
]

/** The half above the axis of a seal, ring or small part; nothing for a bearing. */
export function sealSection(size: PartSize, state: RingState = 'free'): SealHalf | null {
  const kind = size.kind ?? ''
  const sizes = size.sizes ?? {}
  if (kind === 'v_ring') return vRing(sizes)
  if (kind.startsWith('lip_') || kind === 'cassette' || kind === 'axial_seal') return lip(kind, sizes)
  if (ROUND.includes(kind)) return roundRing(kind, sizes, state)
  if (kind.startsWith('backup_')) return backup(kind, sizes)
  if (HYDRAULIC.includes(kind)) return hydraulic(kind, sizes, state)
  if (kind.startsWith('face_')) return face(kind, sizes)
  if (kind.startsWith('ring_') || kind.startsWith('wire_') || kind === 'e_ring') return retaining(kind, sizes)
  if (WASHERS.includes(kind)) return washer(kind, sizes)
  if (kind.startsWith('key_')) return key(kind, sizes)
  return null
}
/** A key lies by itself: it has no axis. */
export const hasAxis = (kind: string): boolean => !kind.startsWith('key_')
/** The states that a kind can be drawn in: a ring also stretched, or in a groove of each sort; a cylinder's seal free or in its groove. */
export function statesOf(kind: string): readonly RingState[] {
  if (ROUND.includes(kind))
    return ['free', 'stretched', 'seated', 'in_bore', 'in_face', 'in_dovetail', 'under_connector']
  return HYDRAULIC.includes(kind) ? ['free', 'seated'] : ['free']
}
/** How a state is called. */
export function stateWords(state: RingState, kind: string): string {
  if (state === 'seated' && ROUND.includes(kind)) return 'on shaft'
  return state.replace('_', ' ')
}
