/** What differs between two states of a record: the path of each value, before and after. */
export interface Difference {
  path: string
  before: string
  after: string
}

const MOST = 40

function walk(value: unknown, path: string, found: Map<string, string>): void {
  if (value !== null && typeof value === 'object') {
    const entries = Object.entries(value as Record<string, unknown>)
    if (!entries.length && path) found.set(path, '')
    for (const [name, inner] of entries) walk(inner, path ? `${path} · ${name}` : name, found)
    return
  }
  found.set(path, value === null || value === undefined ? '' : String(value))
}

export function differences(before: unknown, after: unknown): Difference[] {
  const [old, now] = [new Map<string, string>(), new Map<string, string>()]
  walk(before ?? {}, '', old)
  walk(after ?? {}, '', now)
  const paths = [...new Set([...old.keys(), ...now.keys()])]
  return paths
    .filter((path) => (old.get(path) ?? '') !== (now.get(path) ?? ''))
    .slice(0, MOST)
    .map((path) => ({
      path: path.replace(/_/g, ' '),
      before: old.get(path) ?? '',
      after: now.get(path) ?? '',
    }))
}
