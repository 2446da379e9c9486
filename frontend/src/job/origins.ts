import type { Schemas } from '@/api/client'

export type BuiltIn = Schemas['BuiltIn']['built_in']
/** Where a machine can have been built, as it is asked. */
export const ORIGINS: readonly (readonly [BuiltIn, string])[] = [
  ['inch', 'America, inch sizes'],
  ['metric', 'Europe, metric sizes'],
  ['far_east', 'Japan or the Far East'],
]
export const originWords = (built: string): string => ORIGINS.find(([name]) => name === built)?.[1] ?? ''
