import type { Ref } from 'vue'
import type { Schemas } from '@/api/client'
import { FAMILIES, useKinds, type FamilyName } from '@/job/useKinds'
import type { Sent } from '@/shell/caliper'
import { useHand } from '@/shell/hand'

export type Sheet = Schemas['BenchSheet']
export type Feature = Schemas['FeatureReadings']['feature']
export type Pending = Partial<Record<Feature, string>>
export type Faults = Partial<Record<Feature | 'marking', string>>
/** Inside, outside and width by the names of each family: what a size carries over when the family is changed. */
const SIMILAR: Record<FamilyName, readonly (Feature | null)[]> = {
  bearing: ['bore', 'outside', 'width'],
  lip_seal: ['shaft', 'outside', 'width'],
  o_ring: ['inside', 'outside', 'section_1'],
  hydraulic_seal: ['inside', 'outside', 'height'],
  face_seal: ['shaft', 'seat_outside', 'working_length'],
  retaining_ring: ['shaft', null, 'thickness'],
  washer: ['inside', 'outside', 'thickness'],
  key: ['shaft', null, 'key_width'],
}

/** The readings of a part as they come, by hand or by caliper, and what becomes of them in another family. */
export function useReadings(sheet: Ref<Sheet>, family: Ref<FamilyName>, pending: Pending, faults: Faults) {
  const hand = useHand()
  const kinds = useKinds()
  /** The readings of a feature, those of each instrument together. */
  function observations(feature: Feature) {
    return sheet.value.observations?.filter((each) => each.feature === feature) ?? []
  }
  /** Every reading of a feature with the instrument that it was taken with, in order. */
  function readings(feature: Feature) {
    return observations(feature).flatMap((each) =>
      each.readings.map((reading) => ({ ...reading, instrument: each.instrument })),
    )
  }
  function add(feature: Feature, instrument: string, reading: { typed: string; unit: 'mm' | 'in' }): void {
    const held = observations(feature).find((each) => each.instrument === instrument)
    if (held) held.readings.push(reading)
    else {
      const made = { feature, instrument, readings: [reading] }
      sheet.value.observations = [...(sheet.value.observations ?? []), made]
    }
  }

  function take(feature: Feature): boolean {
    const typed = (pending[feature] ?? '').trim()
    if (!typed || faults[feature]) return false
    add(feature, hand.instrument, { typed, unit: hand.unit })
    pending[feature] = ''
    return true
  }
  /** A reading that a caliper sent: taken at once, with its own instrument. */
  function land(feature: Feature, sent: Sent): void {
    add(feature, sent.name, { typed: sent.typed, unit: sent.unit as 'mm' | 'in' })
  }
  function drop(feature: Feature, index: number): string {
    let place = index
    for (const held of observations(feature)) {
      if (place >= held.readings.length) {
        place -= held.readings.length
        continue
      }
      const [gone] = held.readings.splice(place, 1)
      if (!held.readings.length)
        sheet.value.observations = sheet.value.observations?.filter((each) => each !== held)
      return gone?.typed ?? ''
    }
    return ''
  }

  /** The part is of another family: sizes go over to what is like them there; what has no like stays typed. */
  function setFamily(to: FamilyName): void {
    const from = family.value
    if (to === from || !FAMILIES.some(([name]) => name === to)) return
    const known = new Set((kinds.family(to)?.features ?? []).map((each) => each.feature))
    const moved = new Map<string, Feature>()
    SIMILAR[from].forEach((name, i) => {
      const like = SIMILAR[to][i]
      if (name && like) moved.set(name, like)
    })
    const kept = (sheet.value.observations ?? []).flatMap((each) => {
      const feature = known.has(each.feature) ? each.feature : moved.get(each.feature)
      if (feature) return [{ ...each, feature }]
      pending[each.feature] = each.readings.at(-1)?.typed ?? ''
      return []
    })
    const same = (one: (typeof kept)[number], other: (typeof kept)[number]) =>
      one.feature === other.feature && one.instrument === other.instrument
    const once = kept.filter((each, i) => kept.findIndex((other) => same(each, other)) === i)
    Object.assign(sheet.value, { family: to, kind: '', answers: {}, said: {}, observations: once })
  }
  return { readings, take, land, drop, setFamily }
}
