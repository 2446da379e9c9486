import type { Sizes } from './pieces'

/** Usual proportions of every kind, for pictures and while nothing is known. */
export const USUAL_SEALS: Record<string, Sizes> = {
  ...Object.fromEntries(
    ['lip_rubber', 'lip_rubber_dust', 'lip_metal', 'lip_metal_dust', 'lip_metal_cased', 'lip_metal_cased_dust', 'lip_grease', 'lip_two', 'lip_split', 'axial_seal'].map(
      (kind) => [kind, { shaft_mm: 35, bore_mm: 52, width_mm: kind === 'lip_two' ? 10 : 8 }],
    ), // prettier-ignore
  ),
  cassette: { shaft_mm: 50, bore_mm: 65, width_mm: 15 },
  v_ring: { shaft_mm: 36, bore_mm: 46, width_mm: 9 },
  o_ring: { inside_mm: 20, section_mm: 3.5 },
  square_ring: { inside_mm: 20, section_mm: 3.5 },
  x_ring: { inside_mm: 20, section_mm: 3.5 },
  backup_solid: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_split: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_spiral: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  backup_concave: { inside_mm: 20, section_mm: 3, thickness_mm: 1.4 },
  ...Object.fromEntries(
    ['u_cup', 'u_cup_loaded', 'buffer', 'wear_band'].map((kind) => [
      kind,
      {
        inside_mm: 40,
        outside_mm: kind === 'wear_band' ? 45 : 55,
        section_mm: kind === 'wear_band' ? 2.5 : 7.5,
        height_mm: 10,
      },
    ]),
  ),
  wiper: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  wiper_double: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  wiper_cased: { inside_mm: 40, outside_mm: 50, section_mm: 5, height_mm: 8, base_mm: 5 },
  piston_seal: { inside_mm: 52, outside_mm: 63, section_mm: 5.5, height_mm: 4.2 },
  ...Object.fromEntries(
    ['face_conical', 'face_bellows', 'face_many', 'face_wave'].map((kind) => [
      kind,
      { shaft_mm: 25, seat_outside_mm: 40, seat_thickness_mm: 9, working_length_mm: 40 },
    ]),
  ),
  ring_shaft: { size_mm: 25, groove_mm: 23.9, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 23.2 },
  ring_shaft_inch: { size_mm: 25.4, groove_mm: 23.9, slot_mm: 1.2, thickness_mm: 1.07, free_mm: 23.5 },
  ring_bore: { size_mm: 25, groove_mm: 26.2, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 26.9 },
  ring_bore_inch: { size_mm: 25.4, groove_mm: 27.1, slot_mm: 1.2, thickness_mm: 1.07, free_mm: 28.2 },
  e_ring: { size_mm: 10, groove_mm: 8, slot_mm: 1.05, thickness_mm: 1, free_mm: 6.8 },
  wire_shaft: { size_mm: 20, groove_mm: 19, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 18.3 },
  wire_bore: { size_mm: 20, groove_mm: 21, slot_mm: 1.3, thickness_mm: 1.2, free_mm: 21.7 },
  copper_washer: { inside_mm: 14, outside_mm: 20, thickness_mm: 1.5 },
  shim: { inside_mm: 25, outside_mm: 35, thickness_mm: 0.5 },
  support_washer: { inside_mm: 25, outside_mm: 35, thickness_mm: 2 },
  plain_thrust_washer: { inside_mm: 20, outside_mm: 36, thickness_mm: 1.5 },
  wave_washer: { inside_mm: 24, outside_mm: 30, thickness_mm: 0.6 },
  felt_ring: { inside_mm: 35, outside_mm: 47, thickness_mm: 5 },
  tab_washer: { inside_mm: 25, outside_mm: 42, thickness_mm: 1.25 },
  key_round: { width_mm: 8, height_mm: 7, length_mm: 32 },
  key_square: { width_mm: 8, height_mm: 7, length_mm: 32 },
  key_woodruff: { width_mm: 5, height_mm: 9, length_mm: 21.63 },
}
