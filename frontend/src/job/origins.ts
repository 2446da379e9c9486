import type { Schemas } from '@/api/client'

export type BuiltIn = Schemas['BuiltIn']['built_in']
/** Where a machine can have been built, as it is asked. */
export const ORIGINS: readonly (readonly [BuiltIn, string])[] = [
  ['inch', 'America, inch'],
  ['metric', 'Europe, metric'],
  ['far_east', 'Far East'],
]
export const originWords = (built: string): string => ORIGINS.find(([name]) => name === built)?.[1] ?? ''
