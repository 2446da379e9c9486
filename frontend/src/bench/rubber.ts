import type { Schemas } from '@/api/client'

/** Nothing has been seen of a rubber yet. */
export const NO_RUBBER: Schemas['RubberSeen'] = {
  hardness_shore_a: null,
  hardened: false,
  colour: '',
  swelling: '',
  mass_air_g: null,
  mass_water_g: null,
}
