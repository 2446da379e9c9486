import type { Schemas } from '@/api/client'

const TURNS: Record<string, string> = {
  shaft: 'load stationary, shaft rotates',
  housing: 'load stationary, housing rotates',
  shaking: 'indeterminate load',
}
type Duty = NonNullable<Schemas['Requirement']['duty']>

/** What a part has to bear, in words; what nobody has said is left out. */
export function dutyWords(duty: Duty | undefined): string[] {
  if (!duty) return []
  return [
    duty.medium ? `medium: ${duty.medium.replace(/_/g, ' ')}` : '',
    duty.temperature_c != null ? `at ${duty.temperature_c} °C` : '',
    duty.rpm ? `${duty.rpm} rev/min` : '',
    TURNS[duty.rotating_ring ?? ''] ?? '',
    duty.load ? `${duty.load} load` : '',
    duty.dirty ? 'dirty surroundings' : '',
  ].filter(Boolean)
}
