import type { Refusal } from '@/api/client'

/** What a call is refused with while the records cannot be reached. */
export const AWAY: Refusal = {
  status: 503,
  code: 'database_away',
  message: 'away',
  field: null,
  hint: null,
  current: null,
}
