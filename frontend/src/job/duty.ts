import type { Schemas } from '@/api/client'

const TURNS: Record<string, string> = {
  shaft: 'the shaft turns',
  housing: 'the housing turns',
  shaking: 'the load shakes',
}
type Duty = NonNullable<Schemas['Requirement']['duty']>

/** What a part has to bear, in words; what nobody has said is left out. */
export function dutyWords(duty: Duty | undefined): string[] {
  if (!duty) return []
  return [
    duty.medium ? `works in ${duty.medium.replace(/_/g, ' ')}` : '',
    duty.temperature_c != null ? `at ${duty.temperature_c} °C` : '',
    duty.rpm ? `${duty.rpm} rev/min` : '',
    TURNS[duty.rotating_ring ?? ''] ?? '',
    duty.load ? `${duty.load} load` : '',
    duty.dirty ? 'in dirt' : '',
  ].filter(Boolean)
}
