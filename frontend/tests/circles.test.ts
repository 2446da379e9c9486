import { readdirSync, readFileSync } from 'node:fs'
import { dirname, join, relative, resolve } from 'node:path'
import { describe, expect, it } from 'vitest'

const SRC = resolve(__dirname, '../src')
const OURS = /(?:from|import)\s*\(?\s*'((?:\.{1,2}|@)\/[^']+)'/g

function files(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) =>
    each.isDirectory()
      ? files(join(folder, each.name))
      : /\.(ts|vue)$/.test(each.name)
        ? [join(folder, each.name)]
        : [],
  )
}

/** What each of our files imports of ours, types included. */
function imports(): Map<string, string[]> {
  const all = new Set(files(SRC))
  const found = new Map<string, string[]>()
  for (const file of all) {
    const used = [...readFileSync(file, 'utf8').matchAll(OURS)].map((match) => {
      const path = match[1] as string
      const base = path.startsWith('@/') ? join(SRC, path.slice(2)) : resolve(dirname(file), path)
      return [base, `${base}.ts`, join(base, 'index.ts')].find((each) => all.has(each))
    })
    found.set(
      file,
      used.filter((each) => each !== undefined),
    )
  }
  return found
}

function circle(graph: Map<string, string[]>): string[] {
  const done = new Set<string>()
  const path: string[] = []
  function walk(file: string): string[] {
    if (path.includes(file)) return [...path.slice(path.indexOf(file)), file]
    if (done.has(file)) return []
    path.push(file)
    for (const next of graph.get(file) ?? []) {
      const found = walk(next)
      if (found.length) return found
    }
    path.pop()
    done.add(file)
    return []
  }
  for (const file of graph.keys()) {
    const found = walk(file)
    if (found.length) return found
  }
  return []
}

describe('imports of the front end', () => {
  it('finds a circle where there is one', () => {
    expect(circle(new Map([['a', ['b']], ['b', ['a']]]))).toEqual(['a', 'b', 'a']) // prettier-ignore
  })
  it('has none', () => {
    const graph = imports()
    expect(graph.size).toBeGreaterThan(100)
    expect([...graph.values()].flat().length).toBeGreaterThan(200)
    expect(circle(graph).map((file) => relative(SRC, file))).toEqual([])
  })
})
