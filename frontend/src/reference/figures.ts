/** Units and words of the handbook's fields, by the end of their names; and figures as they are written and shown. */
interface UnitOf {
  ends: string
  unit: string
  /** How much of the core's unit one of what is typed is. */
  times: number
}
const UNITS: readonly UnitOf[] = [
  { ends: '_per_k', unit: '10⁻⁶/K', times: 1e-6 },
  { ends: '_mm2', unit: 'mm²', times: 1 },
  { ends: '_mm', unit: 'mm', times: 1 },
  { ends: '_um', unit: 'µm', times: 1 },
  { ends: '_in', unit: 'in', times: 1 },
  { ends: '_kn', unit: 'kN', times: 1 },
  { ends: '_nm', unit: 'N·m', times: 1 },
  { ends: '_n', unit: 'N', times: 1 },
  { ends: '_mpa', unit: 'MPa', times: 1 },
  { ends: '_mrev', unit: '10⁶ turns', times: 1 },
  { ends: '_mrad', unit: 'mrad', times: 1 },
  { ends: '_percent', unit: '%', times: 1 },
  { ends: '_deg', unit: '°', times: 1 },
  { ends: '_per_rev', unit: 'a turn', times: 1 },
  { ends: '_m_s', unit: 'm/s', times: 1 },
  { ends: '_cm3', unit: 'cm³', times: 1 },
  { ends: '_kg', unit: 'kg', times: 1 },
  { ends: '_h', unit: 'h', times: 1 },
  { ends: '_l', unit: 'l', times: 1 },
  { ends: '_k', unit: 'K', times: 1 },
  { ends: '_c', unit: '°C', times: 1 },
]
const WHOLE: Record<string, UnitOf> = {
  rpm: { ends: '', unit: '1/min', times: 1 },
  taper_one_in: { ends: '', unit: '', times: 1 },
  wavelength_nm: { ends: '_nm', unit: 'nm', times: 1 },
  hours: { ends: '', unit: 'h', times: 1 },
  grams: { ends: '', unit: 'g', times: 1 },
  driver_rpm: { ends: '', unit: '1/min', times: 1 },
  driven_rpm: { ends: '', unit: '1/min', times: 1 },
}
const NONE: UnitOf = { ends: '', unit: '', times: 1 }
const unitOf = (name: string): UnitOf => WHOLE[name] ?? UNITS.find((each) => name.endsWith(each.ends)) ?? NONE
export const unit = (name: string): string => unitOf(name).unit

const CALLED: Record<string, string> = {
  l10_mrev: 'life L10',
  l10_h: 'life L10',
  n_dm: 'n·dm',
  a1: 'factor a1',
  e: 'limit e',
  y: 'factor Y',
  x: 'factor X',
  value: 'result',
  expanded_k2_um: 'expanded, k = 2',
  sd_um: 'standard deviation',
}
/** What an output is called. */
export function words(name: string): string {
  const { ends } = unitOf(name)
  return CALLED[name] ?? name.slice(0, name.length - ends.length).replace(/_/g, ' ')
}

/** How many figures of an output count: a length is written to the micrometre, a share to a tenth of a per cent. */
const DECIMALS: Record<string, number> = { _um: 1, _percent: 1, _c: 1, _k: 1 }
/** As it is shown: five figures that count, of an output no more than its unit bears; thousands apart. */
export function figure(value: unknown, name = ''): string {
  if (Array.isArray(value)) return value.map((each) => figure(each, name)).join(' + ')
  if (typeof value !== 'number') return String(value)
  if (value === 0) return '0'
  const size = Math.abs(value)
  if (size >= 1e9 || size < 1e-4) return value.toExponential(2).replace('e+', '·10^').replace('e', '·10^')
  const most = DECIMALS[unitOf(name).ends] ?? 6
  const digits = Math.max(0, Math.min(most, 4 - Math.floor(Math.log10(size))))
  const [whole = '', part = ''] = value.toFixed(digits).replace('-', '−').split('.')
  const apart = whole.replace(/\B(?=(\d{3})+$)/g, ' ')
  const rest = part.replace(/0+$/, '')
  return rest ? `${apart}.${rest}` : apart
}

/** A figure as people write it; null for what is none. */
export function number(text: string): number | null {
  const clean = text.trim().replace(',', '.').replace('−', '-')
  return /^-?\d*\.?\d+(e-?\d+)?$/i.test(clean) ? Number(clean) : null
}

/** What the core is given for a field as it is typed; nothing while it says nothing. */
export function given(name: string, range: string, typed: string): unknown {
  const text = typed.trim()
  if (!text) return undefined
  const kind = range.split(' ')[0]
  if (kind === 'choice' || kind === 'text') return text
  const one = (piece: string): unknown => {
    const value = number(piece)
    return value === null ? piece : value * unitOf(name).times
  }
  if (kind === 'list') return text.split(/[;\s]+/).map(one)
  if (kind === 'pairs')
    return text.split(/[;\n]+/).map((pair) =>
      pair
        .trim()
        .split(/[:\s]+/)
        .map(one),
    )
  return one(text)
}

/** The formula with its numbers in it. */
export function worked(template: string, values: Readonly<Record<string, unknown>>): string {
  return template.replace(/{(\w+)}/g, (_, name: string) =>
    values[name] === undefined ? '…' : figure(values[name]),
  )
}
