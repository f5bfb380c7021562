import { mkdtempSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { InputError, LimitError, ParameterError } from '../../core/src/base/errors'
import { DRIVE_STORIES } from '../../core/src/simulator'
import { buildCertificate } from '../../core/src/release'
import { buildScripts } from '../build/worker-scripts'
import { certificateDocument } from '../server/services/certificate-pdf'
import { judgeFile, judgeSimulated } from '../server/services/judge-file'
import { AskerLeft, JudgePool, TooBusy } from '../server/services/judge-pool'
import { makePdf } from '../server/services/pdf'
import { newDrive, recording } from './helpers'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-thread-'))
const script = join(folder, 'judge-capture.mjs')

beforeAll(() => buildScripts(join(import.meta.dirname, '..'), ['workers/judge-capture'], folder))

const request = (name: string, content: string | Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, content)
  return { path, name, read: {}, options: {}, context: { mechanism: '5.25in-48', school: 'leave-alone' } as const }
}

const pool = (limits: Partial<ConstructorParameters<typeof JudgePool>[1]> = {}, of = script) =>
  new JudgePool(of, { threads: 1, deadlineMs: 60_000, mostWaiting: 10, ...limits })

/** What went wrong, or null. */
const wrong = (asked: Promise<unknown>) =>
  asked.then(
    () => null,
    (e: unknown) => e,
  )

/** A worker that does as its name says, in place of one that judges. */
function doing(name: string, code: string): string {
  const file = join(folder, `${name}.mjs`)
  writeFileSync(file, `import { parentPort, workerData } from 'node:worker_threads'\n${code}`)
  return file
}

describe('judging in a thread', () => {
  it('gives what judging here gives, a simulated drive too', async () => {
    const asked = request('a.vcd', recording())
    expect(await pool().run(asked)).toEqual(await judgeFile(asked))
    const simulated = { simulated: { mechanism: '3in', story: DRIVE_STORIES[0]!.id } }
    expect(await pool().run(simulated)).toEqual(judgeSimulated(simulated))
  })

  it('brings an input error back as one, with its place and its class', async () => {
    const error = await wrong(pool().run(request('bad.csv', 'Time (s),A\n0,1\n2,0\n1,1\n')))
    expect(error).toBeInstanceOf(InputError)
    expect((error as InputError).message).toBe(
      'bad.csv, line 4: time runs backwards from 2 s to 1 s; expected times that never decrease.',
    )
    expect((error as InputError).where).toEqual({ file: 'bad.csv', line: 4 })
    const story = await wrong(pool().run({ simulated: { mechanism: '3in', story: 'constructor' } }))
    expect(story).toBeInstanceOf(ParameterError)
  })

  it('reports what is not the input’s fault as a failure', async () => {
    const { path: _, ...rest } = request('gone.vcd', 'x')
    await expect(pool().run({ ...rest, path: join(folder, 'nowhere') })).rejects.toThrow(/ENOENT/)
  })

  it('ends one that takes longer than the deadline or needs too much memory, and goes on with the next', async () => {
    const endless = doing(
      'endless',
      `if (workerData.name === 'next') parentPort.postMessage({ answer: 1 }); else while (true);`,
    )
    const few = pool({ deadlineMs: 2000 }, endless)
    const first = wrong(few.run(request('endless', 'x')))
    const next = few.run(request('next', 'x'))
    expect(await first).toBeInstanceOf(LimitError)
    expect(((await first) as Error).message).toBe(
      'captureSha: the recording was not judged within 2 s; expected a shorter recording, or one with fewer edges.',
    )
    expect(await next).toBe(1)
  })

  it('tells where a judgement stands: how many are before it, and how far it has come', async () => {
    const slow = doing(
      'slow',
      `parentPort.postMessage({ share: 0.4 }); setTimeout(() => parentPort.postMessage({ answer: workerData.name }), 1500)`,
    )
    const one = pool({}, slow)
    const asked = ['a', 'b', 'c'].map(id => one.run(request(id, 'x'), { id }))
    await expect.poll(() => one.standing('a')?.share, { timeout: 10_000 }).toBe(0.4)
    expect([one.standing('b')!.before, one.standing('c')!.before, one.standing('d')]).toEqual([1, 2, null])
    expect(await Promise.all(asked)).toEqual(['a', 'b', 'c'])
    expect(one.standing('a')).toBeNull()
  })

  it('ends when the asker leaves, waiting or running; refuses what nobody could wait for', async () => {
    const endless = doing(
      'still',
      `if (workerData.name === 'last') parentPort.postMessage({ answer: 'last' }); else setInterval(() => 0, 1000)`,
    )
    const one = pool({ mostWaiting: 2 }, endless)
    const [runs, waits] = [new AbortController(), new AbortController()]
    const running = wrong(one.run(request('runs', 'x'), { id: 'runs', signal: runs.signal }))
    const waiting = wrong(one.run(request('waits', 'x'), { id: 'waits', signal: waits.signal }))
    const last = one.run(request('last', 'x'), { id: 'last' })
    expect(await wrong(one.run(request('more', 'x')))).toBeInstanceOf(TooBusy)
    waits.abort()
    expect(await waiting).toBeInstanceOf(AskerLeft)
    expect(one.standing('last')!.before).toBe(1)
    runs.abort()
    expect(await running).toBeInstanceOf(AskerLeft)
    expect(await last).toBe('last')
  })
})

describe('the certificate as PDF', () => {
  it('is made with the application’s own fonts, which are embedded', async () => {
    const fonts = join(dirname(createRequire(import.meta.url).resolve('@fontsource/b612/package.json')), 'files')
    const drive = {
      ...newDrive({ maker: 'Fennick', ownerWords: 'Reads ± nothing µ at all.' }),
      id: 'x',
      receivedAt: '2026-03-01T09:00:00Z',
    } as Parameters<typeof buildCertificate>[0]
    const pdf = await makePdf(
      certificateDocument(buildCertificate(drive, [], 'Skerrow', '2026-03-02T00:00:00Z')),
      fonts,
    )
    const text = pdf.toString('latin1')
    expect(text.startsWith('%PDF-')).toBe(true)
    expect(text).toMatch(/\/FontName \/[A-Z]+\+B612/)
    expect(text).not.toMatch(/Helvetica|Roboto/)
  })
})
