/** What can be done to a sheet of lines, as plain functions: sheet in, sheet out. */
import type { Schemas } from '@/api/client'

export type LineSheet = Required<Schemas['LineSheet']>
/** What is known of a part, a card each. */
export const TABS = ['condition', 'fastening and settings', 'photos', 'note'] as const
export type Tab = (typeof TABS)[number]
export type LinePart = Schemas['LinePart']
export type Line = Schemas['Line']
export type Tie = Schemas['Tie']

export function newKeyOf(prefix: string): string {
  const bytes = crypto.getRandomValues(new Uint8Array(6))
  return prefix + Array.from(bytes, (byte) => byte.toString(36).padStart(2, '0')).join('')
}

export const EMPTY: LineSheet = { lines: [], parts: [], ties: [], loose: [] }

export function along(sheet: LineSheet, line: string): LinePart[] {
  return sheet.parts.filter((part) => part.line === line && !part.beside)
}
export function beside(sheet: LineSheet, line: string): LinePart[] {
  return sheet.parts.filter((part) => part.line === line && part.beside)
}

export function makePart(
  kind: Pick<Schemas['KindAnswer'], 'kind' | 'left' | 'right'>,
  line: string,
): LinePart {
  const face = (mark: string) => ({ mark: mark as Schemas['Face']['mark'], looks_at: '' as const })
  const size = () => ({ typed: '', unit: 'mm' as const, mm: null })
  return {
    key: newKeyOf('p'),
    line,
    kind: kind.kind,
    name: '',
    beside: false,
    quantity: 1,
    inside: size(),
    outside: size(),
    width: size(),
    left: face(kind.left),
    right: face(kind.right),
    marking: '',
    note: '',
    keep: '',
    obtainable: true,
    fastener: null,
    settings: [],
    findings: {},
    answers: {},
  }
}

/** The sheet with a part after another (or at the line's end). */
export function withPart(sheet: LineSheet, part: LinePart, after: string | null): LineSheet {
  const parts = [...sheet.parts]
  const at = after ? parts.findIndex((each) => each.key === after) : -1
  parts.splice(at < 0 ? parts.length : at + 1, 0, part)
  return { ...sheet, parts }
}

/** The sheet without a part; what is tied to it alone goes with it. */
export function withoutPart(sheet: LineSheet, key: string): LineSheet {
  const ties = sheet.ties
    .map((tie) => ({ ...tie, parts: tie.parts.filter((each) => each !== key) }))
    .filter((tie) => tie.parts.length > 0)
  return { ...sheet, parts: sheet.parts.filter((part) => part.key !== key), ties }
}

/** Move a part past its neighbours along its line. */
export function moved(sheet: LineSheet, key: string, by: number): LineSheet {
  const part = sheet.parts.find((each) => each.key === key)
  if (!part) return sheet
  const own = sheet.parts.filter((each) => each.line === part.line && each.beside === part.beside)
  const target = own[own.indexOf(part) + by]
  if (!target) return sheet
  const rest = sheet.parts.filter((each) => each !== part)
  rest.splice(rest.indexOf(target) + (by > 0 ? 1 : 0), 0, part)
  return { ...sheet, parts: rest }
}

/** Put a part at a place along a line. */
export function movedTo(sheet: LineSheet, key: string, line: string, place: number): LineSheet {
  const part = sheet.parts.find((each) => each.key === key)
  if (!part) return sheet
  const rest = sheet.parts.filter((each) => each !== part)
  const own = rest.filter((each) => each.line === line && !each.beside)
  const before = own[place]
  const at = before ? rest.indexOf(before) : rest.length
  rest.splice(at, 0, { ...part, line })
  return { ...sheet, parts: rest }
}

/** Marks travel with the part, what stands before a face stays. */
export function turned(part: LinePart): LinePart {
  const left = { ...part.left, mark: part.right?.mark }
  const right = { ...part.right, mark: part.left?.mark }
  return { ...part, left: left as LinePart['left'], right: right as LinePart['right'] }
}

function mirrored(part: LinePart): LinePart {
  return { ...part, left: part.right, right: part.left }
}

/** The whole line looked at from the other side: order, faces, ends and ties turn with it. */
export function reversed(sheet: LineSheet, line: string): LineSheet {
  const own = sheet.parts
    .filter((part) => part.line === line)
    .map(mirrored)
    .reverse()
  let next = 0
  const parts = sheet.parts.map((part) => (part.line === line ? (own[next++] as LinePart) : part))
  const lines = sheet.lines.map((each) =>
    each.key === line ? { ...each, left_end: each.right_end, right_end: each.left_end } : each,
  )
  const ties = sheet.ties.map((tie) =>
    tie.line === line ? { ...tie, end: tie.end === 'left' ? ('right' as const) : ('left' as const) } : tie,
  )
  return { ...sheet, lines, parts, ties }
}

/** The tie that a move would pull apart, if it holds together now. */
export function tieBroken(before: LineSheet, after: LineSheet): Tie | null {
  const holds = (sheet: LineSheet, tie: Tie): boolean => {
    const keys = along(sheet, tie.line).map((part) => part.key)
    const places = tie.parts.map((key) => keys.indexOf(key))
    if (places.some((place) => place < 0)) return false
    if (Math.max(...places) - Math.min(...places) + 1 > places.length) return false
    const middle = places.reduce((sum, place) => sum + place, 0) / places.length - (keys.length - 1) / 2
    return keys.length <= 2 || Math.abs(middle) < 0.26 || (middle < 0 ? 'left' : 'right') === tie.end
  }
  return before.ties.find((tie) => holds(before, tie) && !holds(after, tie)) ?? null
}
