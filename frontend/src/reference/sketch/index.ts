import { MACHINE } from './machine'
import { ROUNDS } from './rounds'
import { SEALING } from './sealing'
import { SHARES } from './shares'
import type { Drawer } from './sketch'

/** The pages of the handbook that a drawing helps, by their question. */
export const SKETCHES: Readonly<Record<string, Drawer>> = { ...ROUNDS, ...SEALING, ...MACHINE, ...SHARES }
