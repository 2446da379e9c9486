/** Only how a length is shown; what was typed is read by the core. */
export type Unit = 'mm' | 'in'

export function shown(mm: number, unit: Unit, digits = 2): string {
  return unit === 'mm' ? mm.toFixed(digits) : (mm / 25.4).toFixed(digits + 2)
}

export function uncertainty(mm: number, unit: Unit): string {
  if (unit === 'in') return `±${(mm / 25.4).toFixed(4)} in`
  return `±${mm < 0.0095 ? mm.toFixed(3) : mm.toFixed(2)} mm`
}

export function percent(p: number): string {
  if (p >= 0.9995) return '> 99.9 %'
  if (p >= 0.1) return `${(p * 100).toFixed(p > 0.99 ? 1 : 0)} %`
  if (p >= 0.0005) return `${(p * 100).toFixed(1)} %`
  return '< 0.1 %'
}
