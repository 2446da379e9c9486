import { computed, ref, watch, type Ref } from 'vue'
import * as edit from './lineEdits'
import type { LineSheet } from './lineEdits'

/** Which line is looked at and which of its parts is chosen; always one that is there. */
export function useLineSelection(sheet: Ref<LineSheet>) {
  const lineKey = ref('')
  const selected = ref<string | null>(null)
  const line = computed(() => sheet.value.lines.find((each) => each.key === lineKey.value) ?? null)
  const parts = computed(() => edit.along(sheet.value, lineKey.value))
  const hung = computed(() => edit.beside(sheet.value, lineKey.value))
  const part = computed(() => sheet.value.parts.find((each) => each.key === selected.value) ?? null)

  function settle(): void {
    if (!sheet.value.lines.some((each) => each.key === lineKey.value))
      lineKey.value = sheet.value.lines[0]?.key ?? ''
    if (!part.value || part.value.line !== lineKey.value) selected.value = parts.value[0]?.key ?? null
  }
  watch(() => sheet.value.lines.map((each) => each.key).join(), settle)
  watch(
    () => sheet.value.parts.length,
    () => !part.value && settle(),
  )

  function select(by: number): void {
    const all = [...parts.value, ...hung.value]
    const at = all.findIndex((each) => each.key === selected.value)
    const next = all[Math.min(all.length - 1, Math.max(0, at + by))]
    if (next) selected.value = next.key
  }
  function selectLine(by: number): void {
    const lines = sheet.value.lines
    const at = lines.findIndex((each) => each.key === lineKey.value)
    const next = lines[(at + by + lines.length) % lines.length]
    if (!next) return
    lineKey.value = next.key
    selected.value = parts.value[0]?.key ?? null
  }
  const place = computed(() => parts.value.findIndex((each) => each.key === selected.value))
  /** The end of the line that the chosen part is nearer to. */
  const endOf = computed<'left' | 'right'>(() =>
    place.value <= (parts.value.length - 1) / 2 ? 'left' : 'right',
  )
  const nextPart = computed(() => parts.value[place.value + 1] ?? null)
  return { lineKey, selected, line, parts, hung, part, settle, select, selectLine, endOf, nextPart }
}
