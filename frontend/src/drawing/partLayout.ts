import { hasAxis, sealSection, type RingState } from './seals'
import type { PartSize } from './geometry'
import { layBearing } from './layout/bearing'
import type { Layout } from './layout/frame'
import { laySeal } from './layout/seal'
import { halfSection } from './section'

export type { Layout } from './layout/frame'

/** Lay out a part's section with a dimension line for each feature that is asked of it. */
export function layPart(
  size: PartSize,
  closure: string,
  asked: readonly string[],
  state: RingState = 'free',
): Layout {
  const seal = sealSection(size, state)
  if (seal) return laySeal(seal, asked, hasAxis(size.kind ?? ''))
  return layBearing(halfSection(size, closure), asked)
}
