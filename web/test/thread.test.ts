import { mkdtempSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { build } from 'esbuild'
import { beforeAll, describe, expect, it } from 'vitest'
import { InputError } from '../../core/src/base/errors'
import { buildCertificate } from '../../core/src/release'
import { certificateDocument } from '../server/services/certificate-pdf'
import { judgeFile } from '../server/services/judge-file'
import { judgeInThread } from '../server/services/judge-in-thread'
import { makePdf } from '../server/services/pdf'
import { newDrive, recording } from './helpers'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-thread-'))
const script = join(folder, 'judge.mjs')

beforeAll(async () => {
  await build({
    entryPoints: [join(import.meta.dirname, '../server/workers/judge-capture.ts')],
    outfile: script,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  })
})

const request = (name: string, content: string | Uint8Array) => {
  const path = join(folder, name)
  writeFileSync(path, content)
  return { path, name, read: {}, options: {}, context: { mechanism: '5.25in-48', school: 'leave-alone' } as const }
}

describe('judging in a thread', () => {
  it('gives what judging here gives', async () => {
    const asked = request('a.vcd', recording())
    expect(await judgeInThread(script, asked)).toEqual(await judgeFile(asked))
  })

  it('brings an input error back as one, with its place', async () => {
    const error = await judgeInThread(script, request('bad.csv', 'Time (s),A\n0,1\n2,0\n1,1\n')).then(
      () => null,
      (e: unknown) => e,
    )
    expect(error).toBeInstanceOf(InputError)
    expect((error as InputError).message).toBe(
      'bad.csv, line 4: time runs backwards from 2 s to 1 s; expected times that never decrease.',
    )
    expect((error as InputError).where).toEqual({ file: 'bad.csv', line: 4 })
  })

  it('reports what is not the input’s fault as a failure', async () => {
    const { path: _, ...rest } = request('gone.vcd', 'x')
    await expect(judgeInThread(script, { ...rest, path: join(folder, 'nowhere') })).rejects.toThrow(/ENOENT/)
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
