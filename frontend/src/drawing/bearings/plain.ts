import type { Half, PartSize } from '../geometry'
import { arc, covers, ring } from './pieces'

const SPHERE_OVER_MEAN = 1.05

/** A ball with a bore in a ring that takes it: one sphere for both. */
export function sphericalPlain(size: PartSize, closure: string): Half {
  const [b, o, w, c] = [size.d_mm / 2, size.D_mm / 2, size.B_mm / 2, (size.C_mm ?? size.B_mm) / 2]
  const sphere = Math.max((SPHERE_OVER_MEAN * (b + o)) / 2, Math.hypot(b * 1.02, w))
  const at = Math.sqrt(sphere ** 2 - c ** 2)
  return {
    pieces: [
      ring([[-c, o], [c, o], ...arc(sphere, c, -c)], true),
      ring([[-w, b], [w, b], ...arc(sphere, w, -w)], false),
      ...covers(closure, c, at - (at - b) * 0.12, at + (o - at) * 0.4),
    ],
    whole: [-w, w],
    inner: [-w, w],
    outer: [-c, c],
    bore: b,
    outside: o,
  }
}
