/** Where the lines of a bearing's section lie, in drawing units; sizes come from the core. */
export interface BearingSize {
  d_mm: number
  D_mm: number
  B_mm: number
  ball_mm: number
}

export interface Section {
  scale: number
  left: number
  right: number
  axis: number
  rings: { y: number; height: number; outer: boolean }[]
  balls: { cy: number; r: number }[]
  covers: { x: number; y1: number; y2: number; contact: boolean }[]
  corner: number
}

const COVER_INSET = 0.07

/** Both halves of the section, the axis lying across at `axis`, to one scale. */
export function bearingSection(
  size: BearingSize,
  scale: number,
  middle: number,
  axis: number,
  closure: string,
): Section {
  const half = (size.B_mm * scale) / 2
  const outside = (size.D_mm * scale) / 2
  const bore = (size.d_mm * scale) / 2
  const pitch = (outside + bore) / 2
  const ball = (size.ball_mm * scale) / 2
  const inner = pitch - ball * 0.42
  const outer = pitch + ball * 0.42
  const section: Section = {
    scale,
    left: middle - half,
    right: middle + half,
    axis,
    rings: [],
    balls: [],
    covers: [],
    corner: Math.min(6, half * 0.12),
  }
  const sides = closure.endsWith('_two') ? [-1, 1] : closure.endsWith('_one') ? [-1] : []
  for (const up of [-1, 1]) {
    const y = (r: number): number => axis + up * r
    section.rings.push({ y: Math.min(y(outer), y(outside)), height: outside - outer, outer: true })
    section.rings.push({ y: Math.min(y(bore), y(inner)), height: inner - bore, outer: false })
    section.balls.push({ cy: y(pitch), r: ball })
    for (const side of sides) {
      const gap = closure.startsWith('seal') ? 0 : (outer - inner) * 0.12
      section.covers.push({
        x: middle + side * half * (1 - COVER_INSET * 2),
        y1: y(outer),
        y2: y(inner + gap),
        contact: closure.startsWith('seal'),
      })
    }
  }
  return section
}
