/** Days on a line: where a day lies between two, and which years, half years or months are written under it. */
const DAY_MS = 86_400_000

/** Days since 1970 of a day written as 2026-11-27. */
export const dayOf = (iso: string): number => Math.round(Date.parse(`${iso}T00:00:00Z`) / DAY_MS)
export const isoOf = (day: number): string => new Date(day * DAY_MS).toISOString().slice(0, 10)

/** A day as a person writes it, such as 27 Nov 2026. */
export function dayWords(iso: string): string {
  const options = { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' } as const
  return new Date(`${iso}T00:00:00Z`).toLocaleDateString('en-GB', options)
}

export interface Tick {
  day: number
  words: string
  year: boolean
}
const STEPS = [1, 3, 6, 12, 24, 60]
const MOST_TICKS = 9
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec']

/** Ticks between two days, at most nine, at whole months; a year is written at its beginning. */
export function ticks(from: number, to: number): Tick[] {
  const months = (to - from) / 30.4
  const step = STEPS.find((each) => months / each <= MOST_TICKS) ?? 120
  const first = new Date(from * DAY_MS)
  const found: Tick[] = []
  let index = first.getUTCFullYear() * 12 + first.getUTCMonth()
  index += (step - (index % step)) % step
  for (;;) {
    const [year, month] = [Math.floor(index / 12), index % 12]
    const day = Date.UTC(year, month, 1) / DAY_MS
    if (day > to) return found
    if (day >= from)
      found.push({ day, words: month === 0 ? String(year) : (MONTHS[month] ?? ''), year: month === 0 })
    index += step
  }
}

/** Round values between nought and the largest, four or five of them. */
export function levels(largest: number): number[] {
  const rough = largest / 4
  const power = 10 ** Math.floor(Math.log10(rough))
  const step = [1, 2, 5, 10].map((each) => each * power).find((each) => each >= rough) ?? rough
  return Array.from({ length: Math.floor(largest / step) + 1 }, (_, i) => Number((i * step).toPrecision(6)))
}
