import { spawn } from 'node:child_process'
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { freePort } from '../../scripts/serve.mjs'
import { keepCompiled } from '../build/keep-compiled'
import { runCompiled } from '../build/run-compiled'

const web = join(import.meta.dirname, '..')
const folder = mkdtempSync(join(tmpdir(), 'wobrin-compiled-'))
const SCRIPT = `exports.twice = x => 2 * x; exports.fetched = () => __importFrom('there'); exports.place = __dirname`
const never = () => Promise.reject(new Error('nothing was to be imported'))

const file = (name: string, content: string | Buffer) => {
  const path = join(folder, name)
  writeFileSync(path, content)
  return path
}
const twice = (ran: ReturnType<typeof runCompiled>) => (ran.exports.twice as (x: number) => number)(21)

describe('a script run with what was compiled before', () => {
  const script = file('script.cjs', SCRIPT)
  const first = runCompiled(script, join(folder, 'nothing'), name => Promise.resolve(`${name} it is`))

  it('is compiled anew where nothing was kept, and finds what is its own', async () => {
    expect(first.used).toBe(false)
    expect(twice(first)).toBe(42)
    expect(first.exports.place).toBe(folder)
    expect(await (first.exports.fetched as () => Promise<string>)()).toBe('there it is')
  })
  it('does the same with what was kept', () => {
    const again = runCompiled(script, file('kept', first.keep()), never)
    expect(again.used).toBe(true)
    expect(twice(again)).toBe(42)
  })
  it.each([
    ['of another script', (own: Buffer) => own, '; exports.other = 1'],
    ['of another version', (own: Buffer) => Buffer.from(own).fill(9, 4, 8), ';'],
    ['cut short', (own: Buffer) => own.subarray(0, own.length >> 1), ';;'],
    ['empty', () => Buffer.alloc(0), ';;;'],
  ])('is compiled anew where what was kept is %s', (_, spoil, more) => {
    // A text of its own, for the engine remembers what it compiled in this run.
    const ran = runCompiled(file('other.cjs', SCRIPT + more), file('other', spoil(first.keep())), never)
    expect(ran.used).toBe(false)
    expect(twice(ran)).toBe(42)
  })
})

/** A server as the build leaves it: its own file, a part that it loads when asked, and what starts it. */
function builtServer(): string {
  const dir = join(folder, 'server')
  mkdirSync(join(dir, 'chunks/nitro'), { recursive: true })
  mkdirSync(join(dir, 'chunks/routes'))
  writeFileSync(join(dir, 'index.mjs'), `export { at as default } from './chunks/nitro/nitro.mjs'`)
  writeFileSync(
    join(dir, 'chunks/nitro/nitro.mjs'),
    `import { createServer } from 'node:http'
    const at = { seen: 0 }
    const text = 'import("../routes/none.mjs") is no import'
    createServer(async (request, answer) => {
      at.seen++
      answer.end((await import('../routes/part.mjs')).tell(text))
    }).listen(Number(process.env.PORT), process.env.HOST)
    const keep = 'taken'
    export { at, keep as exports, at as default }
    //# sourceMappingURL=nitro.mjs.map`,
  )
  writeFileSync(
    join(dir, 'chunks/routes/part.mjs'),
    `import shared, { exports } from '../nitro/nitro.mjs'
    export const tell = text => JSON.stringify([shared.seen, exports, text])`,
  )
  return dir
}

describe('the built server, made to start faster', () => {
  it('answers as before, from one and the same module, and what was compiled stands beside it', async () => {
    const dir = builtServer()
    await keepCompiled(web, dir)
    const compiled = readdirSync(join(dir, 'chunks/nitro')).filter(name => name.endsWith('.compiled'))
    expect(compiled).toHaveLength(1)
    // Whoever starts it may read it.
    expect(statSync(join(dir, 'chunks/nitro', compiled[0]!)).mode & 0o444).toBe(0o444)
    expect(readFileSync(join(dir, 'chunks/nitro/nitro.mjs'), 'utf8')).toContain(compiled[0])

    const port = await freePort()
    const child = spawn(process.execPath, [join(dir, 'index.mjs')], {
      env: { ...process.env, PORT: String(port), HOST: '127.0.0.1' },
    })
    try {
      const ask = () => fetch(`http://127.0.0.1:${port}/`).catch(() => null)
      let answer = await ask()
      for (let tries = 0; tries < 400 && !answer; tries++) {
        await new Promise(resolve => setTimeout(resolve, 50))
        answer = await ask()
      }
      expect(await answer!.json()).toEqual([1, 'taken', 'import("../routes/none.mjs") is no import'])
      expect(await (await ask())!.json()).toEqual([2, 'taken', 'import("../routes/none.mjs") is no import'])
    } finally {
      child.kill()
    }
  })
})
