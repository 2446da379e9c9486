/** Three-way merging of a sheet by its leaves, so that two people at one sheet both keep what they typed. */

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

type Keyed = Record<string, unknown>

function isObject(value: unknown): value is Keyed {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

function same(a: unknown, b: unknown): boolean {
  return JSON.stringify(a ?? null) === JSON.stringify(b ?? null)
}

/** A list's item is known by its `key` or its `feature`. */
function nameOf(item: unknown): string | null {
  if (!isObject(item)) return null
  const name = item['key'] ?? item['feature']
  return typeof name === 'string' ? name : null
}

/** Lists whose items have names are merged by them; other lists and plain values are leaves. */
function keyed(value: unknown): Keyed | null {
  if (isObject(value)) return value
  if (Array.isArray(value) && value.length && value.every((item) => nameOf(item) !== null))
    return Object.fromEntries(value.map((item) => [nameOf(item) as string, item as unknown]))
  return Array.isArray(value) && !value.length ? {} : null
}

function isWords(value: unknown): value is string[] {
  return Array.isArray(value) && value.every((item) => typeof item === 'string')
}

function words(value: unknown): string {
  if (value === undefined || value === null || value === '') return 'nothing'
  if (typeof value !== 'object') return String(value)
  const texts: string[] = []
  JSON.stringify(value, (key, inner: unknown) => {
    if (typeof inner === 'string' && inner && !['unit', 'feature', 'key', 'line'].includes(key))
      texts.push(inner)
    return inner
  })
  return texts.join(' · ') || 'nothing'
}

/** Words that one side put in or took out, done to the other's list; mine in their places, theirs after. */
function mergeWords(base: string[], mine: string[], theirs: string[]): string[] {
  const kept = mine.filter((word) => theirs.includes(word) || !base.includes(word))
  return [...kept, ...theirs.filter((word) => !base.includes(word) && !mine.includes(word))]
}

/** The order of names: mine when I changed it, else theirs; what only the other has stands after its neighbour. */
export function mergeOrder(base: string[], mine: string[], theirs: string[], kept: string[]): string[] {
  const common = (list: string[]): string[] => list.filter((name) => base.includes(name))
  const untouched = same(
    common(mine),
    base.filter((name) => mine.includes(name)),
  )
  const [lead, other] = untouched ? [theirs, mine] : [mine, theirs]
  const order = lead.filter((name) => kept.includes(name))
  other.forEach((name, at) => {
    if (order.includes(name) || !kept.includes(name)) return
    const before = other.slice(0, at).reverse()
    const neighbour = before.find((each) => order.includes(each))
    order.splice(neighbour === undefined ? 0 : order.indexOf(neighbour) + 1, 0, name)
  })
  return order
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
  if (isWords(mine) && isWords(theirs)) return mergeWords(isWords(base) ? base : [], mine, theirs)
  const [b, m, t] = [base, mine, theirs].map((value) => keyed(value))
  if (m && t && !(isObject(mine) && 'feature' in mine)) {
    const names = [...new Set([...Object.keys(m), ...Object.keys(t)])]
    const merged = new Map(
      names.map((name) => [
        name,
        mergeAt(b?.[name], m[name], t[name], path ? `${path}.${name}` : name, found),
      ]),
    )
    const kept = names.filter((name) => merged.get(name) !== undefined)
    if (!Array.isArray(mine)) return Object.fromEntries(kept.map((name) => [name, merged.get(name)]))
    const order = mergeOrder(Object.keys(b ?? {}), Object.keys(m), Object.keys(t), kept)
    return order.map((name) => merged.get(name))
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
