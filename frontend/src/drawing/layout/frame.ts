/** Where the section, its dimension lines and their fields lie on the bench's sheet. */
export interface Line {
  feature: string
  extension: string
  from: [number, number]
  to: [number, number]
  field: { x: number; y: number }
}
export interface Layout {
  scale: number
  middle: number
  axis: number
  /** Only the upper half is drawn, larger, and its distance from the axis is broken off. */
  broken: boolean
  /** Where the (drawn) axis line lies, and from where to where. */
  axisY: number
  axisFrom: number
  axisTo: number
  breaks: number | null
  lines: Line[]
}
/** What a section reaches, mm: along the axis, and from it. */
export interface Extent {
  left: number
  right: number
  inner: number
  outer: number
}
/** What the sheet gives a section: from where to where upright, how wide, about which middle. */
export interface Room {
  top: number
  bottom: number
  wide: number
  middle: number
  /** A wall drawn thinner than this is drawn larger, with its distance from the axis broken off. */
  leastWall: number
}
/** A section on the sheet: its scale, its axis, and where a millimetre lies. */
export interface Frame {
  scale: number
  middle: number
  axis: number
  axisY: number
  broken: boolean
  x: (mm: number) => number
  /** y above the axis, and below it; a broken section ends at its axis line. */
  up: (r: number) => number
  down: (r: number) => number
}

export const TOP = 28
export const TOP_UNDER_A_FIELD = 106
export const BOTTOM = 332
const WALL_DRAWN = 104
const BREAK_GAP = 58
const AXIS_BELOW = 130
const AXIS_LOWEST = 440
const AXIS_BEYOND = 44
const BREAK_ABOVE_AXIS = 26

/** A section about its axis, as large as its room allows; what has no axis stands on the sheet's foot. */
export function framed({ left, right, inner, outer }: Extent, room: Room, axial = true): Frame {
  const tall = room.bottom - room.top
  const whole = Math.min(tall / (axial ? 2 * outer : outer), room.wide / (right - left))
  const broken = axial && (outer - inner) * whole < room.leastWall
  const scale = broken ? Math.min(WALL_DRAWN / (outer - inner), room.wide / (right - left)) : whole
  // Broken off: the ring's upper part at the top of the sheet, the axis a little below it.
  const axis = broken || !axial ? room.top + outer * scale : room.top + tall / 2
  const axisY = broken
    ? Math.min(room.top + (outer - inner) * scale + BREAK_GAP + AXIS_BELOW, AXIS_LOWEST)
    : axis
  const middle = room.middle - ((left + right) / 2) * scale
  return {
    scale,
    middle,
    axis,
    axisY,
    broken,
    x: (mm) => middle + mm * scale,
    up: (r) => axis - r * scale,
    down: (r) => (broken ? axisY : axis + r * scale),
  }
}

export function laidOut(frame: Frame, { left, right }: Extent, lines: Line[]): Layout {
  const { scale, middle, axis, broken, axisY, x } = frame
  return {
    scale,
    middle,
    axis,
    broken,
    axisY,
    axisFrom: x(left) - AXIS_BEYOND,
    axisTo: x(right) + AXIS_BEYOND,
    breaks: broken ? axisY - BREAK_ABOVE_AXIS : null,
    lines,
  }
}
