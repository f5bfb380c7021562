import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse, type AttributeNode, type TemplateChildNode } from '@vue/compiler-dom'
import { parse as parseSfc } from '@vue/compiler-sfc'
import ts from 'typescript'

/** A text that a person can see, or that a sentence is made of. */
export interface VisibleString {
  readonly file: string
  readonly text: string
}

const root = join(import.meta.dirname, '../../..')
const FOLDERS = ['core/src', 'web/app', 'web/server', 'web/shared', 'cli/src', 'demo/src']
/** Attributes whose values are read by people. */
const READ = new Set(['label', 'title', 'placeholder', 'hint', 'alt', 'what', 'end', 'name', 'aria-label', 'unit'])

/** Sentences and labels have a space; one word alone may be an id. */
const isSentence = (text: string) => / \S/.test(text.trim()) && /[A-Z]{3}/i.test(text)

/** What is written in a script; of markup, all but how it looks. */
function inScript(code: string): string[] {
  const found: string[] = []
  const visit = (node: ts.Node): void => {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return
    if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text)
    if (ts.isTemplateExpression(node))
      found.push([node.head.text, ...node.templateSpans.map(s => s.literal.text)].join('…'))
    ts.forEachChild(node, visit)
  }
  visit(ts.createSourceFile('x.ts', code, ts.ScriptTarget.Latest, true))
  return found.map(text => text.replace(/ class="[^"]*"/g, '')).filter(isSentence)
}

function inTemplate(nodes: readonly TemplateChildNode[]): string[] {
  return nodes.flatMap((node): string[] => {
    // 1 element, 2 text, 5 interpolation; what `v-if` and `v-for` hold stands in elements here.
    if (node.type === 2) return node.content.trim() ? [node.content.replace(/\s+/g, ' ').trim()] : []
    if (node.type === 5) return inScript(`(${'content' in node.content ? String(node.content.content) : ''})`)
    if (node.type !== 1) return []
    const own = node.props.flatMap((p): string[] => {
      if (p.type === 6) return READ.has(p.name) ? [(p as AttributeNode).value?.content ?? ''] : []
      const code = p.exp && 'content' in p.exp ? String(p.exp.content) : ''
      return p.name === 'bind' && p.arg && 'content' in p.arg && p.arg.content === 'class' ? [] : inScript(`(${code})`)
    })
    return [...own, ...inTemplate(node.children)]
  })
}

/** Every text of the product that a person may read: pages, sentences of core, messages of server and command line. */
export function visibleStrings(): VisibleString[] {
  const files = execFileSync('git', ['ls-files', '-co', '--exclude-standard', ...FOLDERS], {
    cwd: root,
    encoding: 'utf8',
  })
    .split('\n')
    .filter(f => /\.(?:ts|vue)$/.test(f))
  return files.flatMap(file => {
    const text = readFileSync(join(root, file), 'utf8')
    if (file.endsWith('.ts')) return inScript(text).map(t => ({ file, text: t }))
    const { descriptor } = parseSfc(text)
    const script = `${descriptor.script?.content ?? ''}\n${descriptor.scriptSetup?.content ?? ''}`
    const template = descriptor.template ? inTemplate(parse(descriptor.template.content).children) : []
    return [...inScript(script), ...template].filter(Boolean).map(t => ({ file, text: t }))
  })
}
