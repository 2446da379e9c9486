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
  'phosphate_ester',
] as const satisfies readonly NonNullable<Schemas['BenchSheet']['medium']>[]
