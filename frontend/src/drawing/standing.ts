/** What stands for each part of a line, and the mark it is shown by: one place for screen and paper. */
import type { Schemas } from '@/api/client'

type Check = Schemas['LineCheckAnswer'] | null
type Decision = Schemas['Decision']

const MARKS: Record<string, [mark: string, tone: string]> = {
  open: ['not_looked_at', 'faint'],
  ask: ['not_proven', 'unsure'],
  reuse: ['holds', 'good'],
  regrease: ['holds', 'good'],
  dress: ['not_proven', 'unsure'],
  move_lip: ['not_proven', 'unsure'],
  sleeve: ['not_proven', 'unsure'],
}
export const markOf = (verdict: string): string => (MARKS[verdict] ?? ['does_not_hold'])[0]
export const toneOf = (verdict: string): string => MARKS[verdict]?.[1] ?? 'stop'

export function standingDecisions(decisions: readonly Decision[] | undefined): Map<string, Decision> {
  return new Map((decisions ?? []).filter((each) => each.stands).map((each) => [each.part, each]))
}
/** A second person's decision stands above the computed verdict. */
export function standingVerdicts(check: Check, decided: Map<string, Decision>): Record<string, string> {
  const judged = Object.entries(check?.verdicts ?? {})
  return Object.fromEntries(judged.map(([key, each]) => [key, decided.get(key)?.verdict ?? each.verdict]))
}
/** Parts that contradict themselves and that nobody has answered for. */
export function wrongParts(check: Check): Set<string> {
  const open = (check?.contradictions ?? []).filter((each) => each.level === 'wrong' && !each.answer)
  return new Set(open.map((each) => each.part))
}
