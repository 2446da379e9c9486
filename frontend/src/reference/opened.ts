import { useRoute } from 'vue-router'

/** What a page of the handbook was opened with from a why, by field; nothing of others. None when it was opened by itself. */
export function openedWith<Name extends string>(
  names: readonly Name[],
): Partial<Record<Name, string>> | null {
  const { query } = useRoute()
  const given = names.flatMap((name) => {
    const value = query[name]
    return typeof value === 'string' ? [[name, value] as const] : []
  })
  return given.length ? (Object.fromEntries(given) as Partial<Record<Name, string>>) : null
}
