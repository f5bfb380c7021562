/**
 * `npm run notices`: writes THIRD-PARTY-NOTICES.md from what the packages' runtime dependencies say of themselves, with
 * their licence texts where they ship one.
 */
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { root } from './ensure.mjs'

const read = path => JSON.parse(readFileSync(path, 'utf8'))
const lock = read(join(root, 'package-lock.json')).packages

/** Where a dependency of a package lies, as Node finds it. */
function locate(name, from) {
  for (let at = from; ; at = at.slice(0, at.lastIndexOf('/node_modules/'))) {
    const path = at ? `${at}/node_modules/${name}` : `node_modules/${name}`
    if (lock[path]) return path
    if (!at.includes('/node_modules/')) return lock[`node_modules/${name}`] ? `node_modules/${name}` : null
  }
}

const seen = new Map()
function visit(path) {
  const entry = lock[path]?.link ? lock[lock[path].resolved] : lock[path]
  if (!entry || seen.has(path)) return
  seen.set(path, entry)
  for (const name of Object.keys(entry.dependencies ?? {})) {
    const next = locate(name, path)
    if (next) visit(next)
  }
}
for (const own of ['core', 'cli', 'web']) visit(own)

const third = [...seen].filter(
  ([path, entry]) => path.startsWith('node_modules/') && !entry.link && !path.includes('@wobrin/'),
)
const rows = third
  .map(([path, entry]) => ({ name: path.slice(path.lastIndexOf('node_modules/') + 13), path, ...entry }))
  .sort((a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
const unique = rows.filter((r, i) => i === 0 || r.name !== rows[i - 1].name)

/** Fonts ship with the application, so their licence does too, in full. */
const FULL = ['@fontsource/b612']
const texts = FULL.map(name => {
  const folder = join(root, 'node_modules', name)
  const file = existsSync(folder) ? readdirSync(folder).find(f => /^licen[cs]e/i.test(f)) : undefined
  return file ? `## ${name}\n\n\`\`\`\n${readFileSync(join(folder, file), 'utf8').trim()}\n\`\`\`\n` : ''
})

writeFileSync(
  join(root, 'THIRD-PARTY-NOTICES.md'),
  `# Third-party notices

Made by \`npm run notices\` from the lock file. Each package keeps its own licence, which is in its folder of
\`node_modules\`; the fonts that ship with the application stand below in full.

| package | version | licence |
| --- | --- | --- |
${unique.map(r => `| ${r.name} | ${r.version} | ${r.license ?? 'see its folder'} |`).join('\n')}

${texts.join('\n')}`,
)
console.log(`${unique.length} packages.`)
