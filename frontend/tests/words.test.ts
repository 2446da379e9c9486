import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { parse } from 'vue/compiler-sfc'

/** All that people can read on the screens, gathered from their sources. */
const ROOT = join(__dirname, '..', 'src')
const SNAPSHOT = join(__dirname, 'texts.txt')
const SHOWN = ['aria-label', 'title', 'placeholder', 'words', 'label', 'header', 'name', 'alt']

interface Node {
  type: number
  content?: unknown
  props?: { type: number; name: string; value?: { content: string }; exp?: { loc: { source: string } } }[]
  children?: Node[]
  branches?: Node[]
}

function filesOf(folder: string): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((each) => {
    const path = join(folder, each.name)
    return each.isDirectory() ? filesOf(path) : [path]
  })
}
/** A text that a person reads: words, or one that begins with a capital; names in code are none. */
function isText(text: string): boolean {
  return /[A-Za-z]{2,}/.test(text) && (/[a-z] [A-Za-z{]|[,.:?!]$/.test(text) || /^[A-Z][a-z]+$/.test(text))
}
function textsOf(path: string): string[] {
  const found: string[] = []
  const put = (text: string): void => {
    const plain = text.replace(/\s+/g, ' ').trim()
    if (isText(plain)) found.push(plain)
  }
  const script = (code: string): void => {
    const visit = (node: ts.Node): void => {
      if (ts.isImportDeclaration(node) || ts.isLiteralTypeNode(node)) return
      if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) put(node.text)
      else if (ts.isTemplateExpression(node))
        put(node.head.text + node.templateSpans.map((span) => `{}${span.literal.text}`).join(''))
      ts.forEachChild(node, visit)
    }
    visit(ts.createSourceFile('x.ts', code, ts.ScriptTarget.Latest, true))
  }
  const template = (node: Node): void => {
    if (node.type === 2) put(String(node.content))
    if (node.type === 5) script(`(${(node.content as { loc: { source: string } }).loc.source})`)
    for (const prop of node.props ?? []) {
      if (prop.type === 6 && prop.value && SHOWN.includes(prop.name)) put(prop.value.content)
      if (prop.type === 7 && prop.exp) script(`(${prop.exp.loc.source})`)
    }
    for (const child of [...(node.children ?? []), ...(node.branches ?? [])]) template(child)
  }
  const code = readFileSync(path, 'utf8')
  if (path.endsWith('.ts')) script(code)
  else {
    const { descriptor } = parse(code)
    for (const block of [descriptor.script, descriptor.scriptSetup]) if (block) script(block.content)
    if (descriptor.template?.ast) template(descriptor.template.ast as unknown as Node)
  }
  return [...new Set(found)]
}
const all = filesOf(ROOT)
  .filter((path) => /\.(vue|ts)$/.test(path) && !path.includes('api/types'))
  .sort()
  .map((path) => [relative(ROOT, path).replace(/\\/g, '/'), textsOf(path)] as const)
  .filter(([, texts]) => texts.length)

/** The first cell of each row is a pattern; it holds no comma. */
const notSaid = readFileSync(join(__dirname, '..', '..', 'tests', 'words', 'not_said.csv'), 'utf8')
  .split('\n')
  .filter((row) => row && !row.startsWith('#') && !row.startsWith('phrase,'))
  .map((row) => new RegExp(row.split(',')[0] ?? ''))

describe('the words on the screens', () => {
  it('stand in the snapshot: AMPLE_SNAPSHOT=1 writes it anew, and the change is seen in review', () => {
    const now = all.map(([name, texts]) => `\n## ${name}\n${texts.join('\n')}\n`).join('')
    if (process.env.AMPLE_SNAPSHOT || !existsSync(SNAPSHOT)) writeFileSync(SNAPSHOT, now)
    expect(now).toBe(readFileSync(SNAPSHOT, 'utf8'))
  })

  it('are none that the guide to words replaces', () => {
    const found = all.flatMap(([name, texts]) =>
      texts.flatMap((text) =>
        notSaid.filter((phrase) => phrase.test(text)).map((phrase) => `${name}: ${text} (${phrase.source})`),
      ),
    )
    expect(found).toEqual([])
  })
})
