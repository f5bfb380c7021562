import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv from 'ajv/dist/2020'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildCertificate, checkCertificate, logHead, nextService, sealOf, type Certificate } from '../../src/release'
import { CERTIFICATE_SCHEMA } from '../../src/release/schema'
import { diskWord, standingOf, type ReferenceDisk } from '../../src/proof'
import type { DriveFacts, LogEntry } from '../../src/log'
import { entry, found, withData } from '../log'

const NOW = '2026-03-02T00:00:00Z'
const drive: DriveFacts = {
  id: 'd1',
  tag: 'SK-05',
  simulated: false,
  mechanism: '5.25in-48',
  maker: 'Fennick',
  model: '40B',
  serial: '7',
  host: 'logger',
  ownerWords: 'Squeals.',
  features: null,
  account: null,
  nominalRpm: null,
  motor: null,
  hasTrimmer: null,
  pulleys: null,
  year: null,
  goal: null,
  practice: null,
  route: 'complaint',
  receivedAt: '2026-03-01T10:00:00Z',
}
const reference: ReferenceDisk = {
  id: 'disk',
  name: 'Harbour A',
  mechanism: '5.25in-48',
  writtenBy: 'w',
  writer: '',
  writtenAt: '2026-01-01',
  proof: 'instrument',
  provedBy: null,
}
const word = (id: string) =>
  id === 'disk' ? diskWord(standingOf(reference, [reference], [], []), d => (d === 'w' ? 'SK-15' : undefined)) : null

/** A log with something of everything that a certificate carries. */
function fullLog(): LogEntry[] {
  return [
    entry({ kind: 'received', station: 'receive' }),
    found('belt.goo'),
    found('belt.new', 'drive-train'),
    found('grease.renewed', 'clean'),
    found('smell.fish'),
    withData(
      'override',
      { type: 'override', gate: 'first-power', missing: ['power.belt'] },
      { detail: 'Belt cut through, motor unplugged.' },
    ),
    entry({
      kind: 'measurement',
      station: 'speed',
      title: 'Spindle speed',
      call: { kind: 'leave', reasons: ['right'], next: 'leave it' },
      observations: [
        { key: 'speed.mean', label: 'Spindle speed', value: 300.12, unit: 'r/min', uncertainty: 0.2, how: '150 turns' },
      ],
      data: {
        type: 'speed',
        rpm: 300.12,
        uncertainty: 0.2,
        movedTurns: 0,
        captureSha: 'ab'.repeat(32),
        captureName: 'a.vcd',
        channel: 'INDEX',
        pulsesPerTurn: 1,
        pulsesGiven: false,
        evenMarks: false,
        read: {},
        nominalRpm: 300,
      },
    }),
    withData(
      'part-used',
      { type: 'part-used', release: 'r', part: 'motor', from: 'SK-01' },
      { title: 'Spindle motor of SK-01 fitted' },
    ),
    withData(
      'measurement',
      { type: 'cross-read', disk: 'disk', places: [{ head: 0, zone: 'outer', good: 9, sectors: 9 }] },
      {
        call: { kind: 'leave', reasons: ['all'], next: '' },
        observations: [{ key: 'x', label: 'Harbour A', value: 0, unit: '', how: '' }],
      },
    ),
    withData('released', { type: 'release', outcome: 'released' }, { station: 'release', detail: 'Sealed.' }),
  ]
}
const certificate = (log = fullLog()) => buildCertificate(drive, log, 'Skerrow', NOW, word)

describe('seals', () => {
  it('are SHA-256 over canonical JSON: keys in order, as Node’s own crypto has it', () => {
    expect(sealOf({ b: 1, a: [true, null, 'ö'] })).toBe(
      createHash('sha256').update('{"a":[true,null,"ö"],"b":1}').digest('hex'),
    )
    expect(sealOf({ a: 1, b: 2 })).toBe(sealOf({ b: 2, a: 1 }))
  })
  it('write numbers and strings as the example of RFC 8785, section 3.2.2, has them', () => {
    const value = {
      numbers: [Number('333333333.33333329'), 1e30, 4.5, 2e-3, 0.000000000000000000000000001],
      string: '€$\u000F\u000AA\'B"\\\\"/',
      literals: [null, true, false],
    }
    const canonical = String.raw`{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\u000f\nA'B\"\\\\\"/"}`
    expect(sealOf(value)).toBe(createHash('sha256').update(canonical).digest('hex'))
  })
  it('of a log change with any entry, its order, or one left out; not with the drive’s id', () => {
    const log = fullLog()
    const head = logHead(log)
    expect(head).toMatchObject({ entries: log.length, seq: log.at(-1)!.seq })
    expect(logHead(log.map(e => ({ ...e, driveId: 'other' }))).hash).toBe(head.hash)
    fc.assert(
      fc.property(
        fc.nat(log.length - 1),
        fc.constantFrom('title', 'detail', 'at', 'kind', 'station', 'drop'),
        (i, field) => {
          const changed =
            field === 'drop'
              ? log.filter((_, k) => k !== i)
              : log.map((e, k) => (k === i ? { ...e, [field]: `${e[field as 'title']}x` } : e))
          expect(logHead(changed as LogEntry[]).hash).not.toBe(head.hash)
        },
      ),
    )
  })
})

describe('a certificate against its published JSON Schema', () => {
  const validate = new Ajv({ strict: true, allErrors: true, allowUnionTypes: true }).compile(CERTIFICATE_SCHEMA)
  it.each([
    ['full', certificate()],
    ['empty', buildCertificate(drive, [], '', NOW)],
    ['read back from a file', JSON.parse(JSON.stringify(certificate()))],
  ])('%s: is valid by ajv', (_, c) => {
    expect(validate(c), JSON.stringify(validate.errors)).toBe(true)
  })
  it('nothing is left out of it, and nothing else may stand in it', () => {
    expect(validate({ ...certificate(), more: 1 })).toBe(false)
    for (const key of Object.keys(certificate())) {
      const { [key as keyof Certificate]: _, ...less } = certificate()
      expect(validate(less), key).toBe(false)
    }
  })
  it('the copy in the documentation is this one', () => {
    const path = join(import.meta.dirname, '../../../docs/schemas/certificate-5.schema.json')
    if (process.env.WRITE_SCHEMAS) writeFileSync(path, `${JSON.stringify(CERTIFICATE_SCHEMA, null, 2)}\n`)
    expect(JSON.parse(readFileSync(path, 'utf8'))).toEqual(JSON.parse(JSON.stringify(CERTIFICATE_SCHEMA)))
  })
})

describe('what a certificate carries', () => {
  it('parts, disks with their chain, numbers with their uncertainty, the next service', () => {
    const c = certificate()
    expect(c.parts.map(p => [p.what, p.from])).toEqual([
      ['Belt: new one fitted', ''],
      ['Grease: renewed', ''],
      ['Spindle motor of SK-01 fitted', 'SK-01'],
    ])
    expect(c.referenceDisks).toMatchObject([
      {
        name: 'Harbour A',
        trusted: true,
        rests: 'standard',
        chain: ['Harbour A, by SK-15 (measured with an analogue alignment disk and a scope)'],
      },
    ])
    expect(c.measurements[0]).toMatchObject({
      number: 300.12,
      unit: 'r/min',
      uncertainty: 0.2,
      value: '300.1 ± 0.2 r/min',
    })
    expect(c.nextService.map(s => s.id)).toContain('oil')
    expect(c.nextService.map(s => s.on)).toEqual(c.nextService.map(s => s.on).toSorted())
    expect(buildCertificate(drive, [], '', NOW).nextService).toEqual([])
  })
})

describe('a certificate that comes back', () => {
  const log = fullLog()
  const issued = () => JSON.parse(JSON.stringify(certificate(log))) as Certificate
  it('is whole, alone and against its log, also when the log has grown', () => {
    expect(checkCertificate(issued())).toMatchObject({ state: 'whole', call: { kind: 'leave' } })
    expect(checkCertificate(issued(), () => log).call.reasons[0]).toBe(
      'It is as it was issued, and the log of SK-05 has every entry that it was made from.',
    )
    expect(checkCertificate(issued(), () => [...log, entry()]).call.reasons[0]).toContain('1 entry has come since')
  })
  it('any change by hand is found', () => {
    const leaves = (value: unknown, path: (string | number)[] = []): (string | number)[][] =>
      typeof value === 'object' && value !== null
        ? Object.entries(value).flatMap(([k, v]) => leaves(v, [...path, k]))
        : [path]
    const paths = leaves(issued()).filter(p => !['format', 'version'].includes(String(p[0])))
    fc.assert(
      fc.property(fc.constantFrom(...paths), path => {
        const c = issued() as never
        let at: Record<string, unknown> = c
        for (const key of path.slice(0, -1)) at = at[key] as Record<string, unknown>
        const last = path.at(-1)!
        at[last] = typeof at[last] === 'number' ? (at[last] as number) + 1 : `${String(at[last])} `
        expect(checkCertificate(c).state).toBe('changed')
      }),
      { numRuns: 200 },
    )
  })
  it('a new hash over changed contents does not fit the log', () => {
    const { hash: _, ...content } = issued()
    const forged = { ...content, logHead: { ...content.logHead, entries: 3 } }
    expect(checkCertificate({ ...forged, hash: sealOf(forged) }, () => log)).toMatchObject({
      state: 'log differs',
      call: { kind: 'stop' },
    })
    expect(checkCertificate(issued(), () => log.slice(1)).state).toBe('log differs')
    expect(checkCertificate(content).call.reasons[0]).toContain('It has no hash')
  })
  it.each([[null], [3], ['text'], [[]], [{}], [{ format: 'other' }]])('%j is none', json => {
    expect(checkCertificate(json).state).toBe('no certificate')
  })
  it('a newer version is said to be one', () => {
    expect(checkCertificate({ ...issued(), version: 9 })).toMatchObject({ state: 'newer', call: { kind: 'unknown' } })
  })
})

describe('the next service', () => {
  it('counts whole months, to the last day of a shorter one', () => {
    const dates = Object.fromEntries(
      nextService('5.25in-48', [found('grease.renewed', 'clean')], '2026-08-31T10:00:00Z').map(s => [s.id, s.on]),
    )
    expect(dates).toMatchObject({ oil: '2027-08-31', exercise: '2027-02-28' })
    expect(dates.belt).toBeUndefined()
  })
  it('asks of each drive what it has', () => {
    const ids = (mechanism: '3in' | 'cartridge', ...findings: string[]) =>
      nextService(
        mechanism,
        findings.map(f => found(f)),
        NOW,
      ).map(s => s.id)
    expect(ids('3in', 'belt.new')).toEqual(expect.arrayContaining(['belt', 'speed', 'heads', 'capacitors']))
    expect(ids('3in', 'caps.replaced')).not.toContain('capacitors')
    expect(ids('cartridge')).toEqual(['exercise', 'capacitors'])
    expect(nextService('3in', [], 'never')).toEqual([])
  })
})
