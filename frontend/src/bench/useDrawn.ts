import { computed, ref, watch, type Ref } from 'vue'
import type { Schemas } from '@/api/client'
import { sealSection, statesOf, type RingState } from '@/drawing/seals'
import { partSize, usual } from '@/drawing/sizes'
import { useKinds } from '@/job/useKinds'
import { SEATS, type Feature, type useBench } from './useBench'

/** What is measured of a groove, by how it is drawn. */
const GROOVES: Partial<Record<RingState, readonly Feature[]>> = {
  seated: ['groove_diameter', 'groove_width', 'groove_depth'],
  in_bore: ['bore_groove_diameter', 'groove_width', 'groove_depth'],
  in_face: ['face_groove_outside', 'face_groove_inside', 'groove_width', 'groove_depth'],
  in_dovetail: ['dovetail_diameter', 'dovetail_opening', 'groove_depth'],
  under_connector: ['connector_diameter', 'connector_leg'],
}
const ofGroove = (name: Feature): boolean => /groove_|^dovetail_|^connector_/.test(name)
/** What the sheet knows of the part so far. */
interface Known {
  answer: Readonly<Ref<Schemas['IdentifyAnswer'] | null>>
  chosen: Readonly<Ref<Schemas['CandidateAnswer'] | undefined>>
  /** Something has been read. */
  anyEvidence: Readonly<Ref<boolean>>
  /** What it is likeliest to be is worth drawing to scale. */
  known: Readonly<Ref<boolean>>
}

/** What is drawn on the bench, in which state, and which fields stand on the drawing or beside it. */
export function useDrawn(bench: ReturnType<typeof useBench>, { answer, chosen, anyEvidence, known }: Known) {
  const kinds = useKinds()
  const { sheet, family, features } = bench
  /** The kind to draw: what the likeliest part is, or what the picture and the answers leave. */
  const kindDrawn = computed(() => {
    const usualKind = kinds.groups(family.value)[0]?.pictured ?? 'deep_groove'
    const told = sheet.sheet.value.kind
    const likely = known.value ? chosen.value?.kind : undefined
    if (told) {
      const pictured = kinds.groups(family.value).find((each) => each.group === told)?.pictured ?? told
      /** An answer to what was said before may still name another kind. */
      const meant = (kind: string | undefined) =>
        kind && kinds.groupOf(kind) === kinds.groupOf(told) ? kind : undefined
      return meant(likely) ?? meant(answer.value?.kinds[0]?.kind) ?? pictured
    }
    const own = kinds.kind(likely ?? '')?.offered ?? []
    return likely && (answer.value?.offered ?? []).every((name) => own.includes(name)) ? likely : usualKind
  })
  const drawn = computed(() =>
    anyEvidence.value && chosen.value && chosen.value.kind === kindDrawn.value
      ? partSize(chosen.value.kind, chosen.value.dimensions, chosen.value.ball_mm)
      : usual(kindDrawn.value),
  )
  const state = ref<RingState>('free')
  /** The fields on the drawing: what the kind is measured by, and whatever has been read already. */
  const asked = computed(() => {
    const own = kinds.kind(kindDrawn.value)?.offered ?? []
    const wanted = new Set<string>(
      own.length && sheet.sheet.value.kind ? own : (answer.value?.offered ?? own),
    )
    if (wanted.has('assembled_width')) wanted.delete('width')
    for (const name of features.value) if (bench.readings(name).length) wanted.add(name)
    for (const name of GROOVES[state.value] ?? []) wanted.add(name)
    const marks = sealSection(drawn.value, state.value)?.marks
    return features.value.filter(
      (name) =>
        wanted.has(name) && !SEATS.includes(name as (typeof SEATS)[number]) && (!marks || name in marks),
    )
  })
  /** What else can be measured, and stands beside the drawing; of a groove only what is of the one that is drawn. */
  const beside = computed<Feature[]>(() => {
    const measured = kinds.kind(kindDrawn.value)?.measured ?? []
    const groove = GROOVES[state.value] ?? GROOVES.seated ?? []
    return features.value.filter(
      (name) =>
        ((measured.includes(name) && (!ofGroove(name) || groove.includes(name))) ||
          bench.readings(name).length) &&
        !asked.value.includes(name) &&
        !SEATS.includes(name as (typeof SEATS)[number]),
    )
  })
  function nextState(): void {
    const states = statesOf(kindDrawn.value)
    state.value = states[(states.indexOf(state.value) + 1) % states.length] ?? 'free'
  }
  /** What is known by its groove alone is drawn in it. */
  function begin(): void {
    const itself = ['inside', 'section', 'section_1'] as const
    if (itself.some((name) => bench.readings(name).length)) return
    const states = statesOf(kindDrawn.value)
    const read = (names: readonly Feature[]) =>
      names.some((name) => ofGroove(name) && !/_(width|depth)$/.test(name) && bench.readings(name).length)
    const measured = states.find((each) => read(GROOVES[each] ?? []))
    if (measured) state.value = measured
  }
  watch(
    () => statesOf(kindDrawn.value),
    (states) => states.includes(state.value) || (state.value = 'free'),
  )
  return { kindDrawn, drawn, state, asked, beside, nextState, begin }
}
