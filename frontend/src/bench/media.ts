import type { Schemas } from '@/api/client'

/** What a seal or ring can work in, as the core knows it. */
export const MEDIA = [
  'mineral_oil',
  'water',
  'glycol',
  'brake_fluid',
  'fuel',
  'steam',
  'refrigerant',
  'refrigerant_with_pag_oil',
  'phosphate_ester',
  'industrial_phosphate_ester',
  'alkali',
  'acid',
] as const satisfies readonly NonNullable<Schemas['BenchSheet']['medium']>[]

const WORDS: Record<string, string> = {
  refrigerant: 'refrigerant with mineral oil',
  refrigerant_with_pag_oil: 'refrigerant with PAG oil',
  phosphate_ester: 'aviation phosphate ester',
  alkali: 'alkali (lye)',
  acid: 'dilute acid',
}
export const mediumWords = (medium: string): string => WORDS[medium] ?? medium.replace(/_/g, ' ')
