/** Three-way merging of a sheet by its leaves, so that two people at one part both keep what they typed. */

type Plain = string | number | boolean | null
export type Leaves = Map<string, Plain | Plain[]>

/** One field that both changed. */
export interface Clash {
  path: string
  mine: string
  theirs: string
}

export interface Merged<T> {
  sheet: T
  clashes: Clash[]
  taken: string[]
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a ?? null) === JSON.stringify(b ?? null)
}

/** Lists with a `feature` are merged by it; other lists and plain values are leaves. */
function keyed(value: unknown): Record<string, unknown> | null {
  if (isObject(value)) return value
  if (Array.isArray(value) && value.every((item) => isObject(item) && typeof item['feature'] === 'string'))
    return Object.fromEntries(value.map((item) => [item['feature'] as string, item]))
  return null
}

function words(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value !== 'object') return String(value)
  const texts: string[] = []
  JSON.stringify(value, (key, inner: unknown) => {
    if (typeof inner === 'string' && key !== 'unit' && key !== 'feature') texts.push(inner)
    return inner
  })
  return texts.join(' · ') || 'nothing'
}

function mergeAt(
  base: unknown,
  mine: unknown,
  theirs: unknown,
  path: string,
  found: Merged<unknown>,
): unknown {
  if (same(mine, theirs) || same(base, theirs)) return mine
  if (same(base, mine)) {
    found.taken.push(path)
    return theirs
  }
  const parts = [base, mine, theirs].map((value) => keyed(value))
  const [b, m, t] = parts
  if (m && t && !(path.includes('.') && isObject(mine) && 'feature' in mine)) {
    const names = [...new Set([...Object.keys(m), ...Object.keys(t)])]
    const merged = names.map(
      (name) => [name, mergeAt(b?.[name], m[name], t[name], path ? `${path}.${name}` : name, found)] as const,
    )
    const kept = merged.filter(([, value]) => value !== undefined)
    return Array.isArray(mine) ? kept.map(([, value]) => value) : Object.fromEntries(kept)
  }
  found.clashes.push({ path, mine: words(mine), theirs: words(theirs) })
  return mine
}

/** Merge mine and theirs over the common base; where both changed one field, mine stands and is listed. */
export function merge<T>(base: T, mine: T, theirs: T): Merged<T> {
  const found: Merged<unknown> = { sheet: null, clashes: [], taken: [] }
  found.sheet = mergeAt(base, mine, theirs, '', found)
  return found as Merged<T>
}

/** Put their value of a path into a sheet. */
export function takeTheirs<T>(mine: T, theirs: T, path: string): T {
  const base = JSON.parse(JSON.stringify(mine)) as T
  const names = path.split('.')
  function put(target: unknown, source: unknown, depth: number): unknown {
    if (depth === names.length) return source
    const name = names[depth] as string
    const t = keyed(target) ?? {}
    const s = keyed(source) ?? {}
    const value = put(t[name], s[name], depth + 1)
    const entries = { ...t, [name]: value }
    if (value === undefined) Reflect.deleteProperty(entries, name)
    return Array.isArray(target) ? Object.values(entries) : entries
  }
  return put(base, theirs, 0) as T
}
