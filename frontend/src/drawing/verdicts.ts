/** The states of a check in words, wherever one is shown. */
export const STATE_WORDS: Record<string, string> = {
  holds: 'met',
  not_proven: 'open',
  does_not_hold: 'failed',
  not_looked_at: 'not checked',
}
