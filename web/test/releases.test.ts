import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { createRequire } from 'node:module'
import ICAL from 'ical.js'
import jsQR from 'jsqr'
import { describe, expect, it } from 'vitest'
import { RUNGS } from '../../core/src/proof'
import { foundIds } from '../../core/src/findings'
import { partsThere } from '../../core/src/parts'
import { certificateDocument } from '../server/services/certificate-pdf'
import { labelDocument } from '../server/services/drive-label'
import { makePdf } from '../server/services/pdf'
import { serviceCalendar } from '../server/services/service-calendar'
import { partUseSchema } from '../shared/parts'
import { writeTestSchema } from '../shared/write-test'
import { newDrive, say as sayOn, uuid, workshop } from './helpers'

const NOW = '2026-03-01T10:00:00Z'
const FONTS = join(dirname(createRequire(import.meta.url).resolve('@fontsource/b612/package.json')), 'files')

async function bench() {
  const w = await workshop()
  w.drives.receive(newDrive({ tag: 'SK-01', maker: 'Fennick', model: '40A' }), NOW, uuid(1))
  w.drives.receive(newDrive({ tag: 'SK-05', maker: 'Fennick', model: '40B', ownerWords: 'Squeals.' }), NOW, uuid(2))
  let n = 500
  const say = (driveId: string, input: object) => {
    return sayOn(w, driveId, { id: uuid(n++), at: NOW, station: 'look', ...input })
  }
  const find = (driveId: string, finding: string) =>
    say(driveId, { kind: 'finding', finding: { finding, place: null } })
  return { ...w, say, find }
}

describe('a drive stripped for parts', () => {
  it('lists what the log vouches for, feeds the shelf, and a part goes in once', async () => {
    const w = await bench()
    for (const f of ['heads.torn', 'spindle.free', 'travel.free', 'flag.snapped']) w.find(uuid(1), f)
    const left = partsThere(w.drives.get(uuid(1)), w.drives.log(uuid(1)))
    expect(left.find(p => p.id === 'motor')).toMatchObject({ good: true, state: 'looked at' })
    expect(left.find(p => p.id === 'heads')).toMatchObject({ good: false })
    expect(left.find(p => p.id === 'board')).toMatchObject({ good: true, state: 'not known' })
    expect(left.find(p => p.id === 'track-zero-flag')).toMatchObject({ good: false })
    const release = w.say(uuid(1), {
      kind: 'released',
      station: 'release',
      title: 'Parts',
      outcome: 'parts',
      detail: 'Heads are gone.',
      parts: ['motor', 'carriage'],
    })
    expect(w.donors.page(0, 99).donors).toMatchObject([
      {
        tag: 'SK-01',
        remark: 'Heads are gone.',
        parts: expect.arrayContaining([
          expect.objectContaining({ id: 'motor', wentTo: null }),
          expect.objectContaining({ id: 'carriage', wentTo: null }),
          // Who names an assembly alone means all of it.
          expect.objectContaining({ id: 'stepper', within: 'carriage', wentTo: null }),
        ]),
      },
    ])
    const use = (n: number, drive: string, part = 'motor') =>
      w.fitting.fit(drive, partUseSchema.cast({ id: uuid(n), at: NOW, release: release.id, part }))
    const entry = use(700, uuid(2))
    expect(entry).toMatchObject({ kind: 'part-used', title: 'Spindle motor of SK-01 fitted', data: { from: 'SK-01' } })
    expect(use(700, uuid(2)).seq).toBe(entry.seq)
    expect(w.donors.page(0, 99).donors[0]!.parts[0]!.wentTo).toBe('SK-05')
    expect(foundIds(w.drives.log(uuid(2)))).toContain('motor.replaced')
    expect(() => use(701, uuid(2))).toThrow(/the spindle motor of SK-01 is in SK-05 already/)
    expect(() => use(702, uuid(1), 'carriage')).toThrow(/no donor of its own/)
    expect(() => use(703, uuid(2), 'heads')).toThrow(/no such part on the shelf/)
    // Taken back, it is on the shelf again; a release taken back takes the donor off it.
    w.say(uuid(2), { kind: 'taken-back', title: 'x', takesBack: entry.id })
    expect(w.donors.page(0, 99).donors[0]!.parts[0]!.wentTo).toBeNull()
    expect(foundIds(w.drives.log(uuid(2)))).not.toContain('motor.replaced')
    w.say(uuid(1), { kind: 'taken-back', title: 'x', takesBack: release.id })
    expect(w.donors.page(0, 99).donors).toEqual([])
  })
  it('an assembly without one of its pieces is none any more, and its other pieces are still there', async () => {
    const w = await bench()
    const release = w.say(uuid(1), {
      kind: 'released',
      station: 'release',
      title: 'Parts',
      outcome: 'parts',
      parts: ['carriage'],
    })
    const use = { id: uuid(700), at: NOW, release: release.id, part: 'stepper' }
    w.fitting.fit(uuid(2), partUseSchema.cast(use))
    const left = w.donors.page(0, 99).donors[0]!.parts
    expect(left.find(p => p.id === 'carriage')!.wentTo).toBe('SK-05')
    expect(left.find(p => p.id === 'rail')!.wentTo).toBeNull()
    expect(() =>
      w.say(uuid(1), { kind: 'released', station: 'release', title: 'Parts', outcome: 'parts', parts: [] }),
    ).toThrow(/SK-01 was stripped for parts already/)
  })
  it('refuses bad parts, parts that it has not, and a quarantine without a reason', async () => {
    const w = await bench()
    w.find(uuid(1), 'heads.torn')
    const release = (part: object) => () =>
      w.say(uuid(1), { kind: 'released', station: 'release', title: 'x', ...part })
    expect(release({ outcome: 'parts', parts: ['heads'] })).toThrow(/head assembly: .*torn off/)
    expect(release({ outcome: 'parts', parts: ['gears'] })).toThrow(/there is no part “gears” in it/)
    expect(release({ outcome: 'quarantined', detail: 'bad' })).toThrow(/a quarantine needs its reason in writing/)
    expect(release({ outcome: 'quarantined', detail: 'It tears disks at the edge.' })().data).toEqual({
      type: 'release',
      outcome: 'quarantined',
    })
  })
})

describe('a write test on the log', () => {
  const whole = { good: 360, sectors: 360 }
  const input = (n: number, result: object) =>
    writeTestSchema.validateSync({
      id: uuid(n),
      at: NOW,
      result: { format: [whole, whole], pattern: [whole, null], overwrite: [null, null], ...result },
    })
  it('is judged by the server', async () => {
    const w = await bench()
    const entry = w.proofs.keepWriteTest(uuid(2), input(800, { blocked: false }))
    expect(entry).toMatchObject({
      title: 'Write test: 3 of 10 checks passed',
      call: { kind: 'stop' },
      data: { type: 'write-test', result: { blocked: false, formatS: null } },
    })
    expect(w.proofs.keepWriteTest(uuid(2), input(800, {})).seq).toBe(entry.seq)
  })
  it('refuses what cannot be, and nothing at all', async () => {
    const w = await bench()
    expect(() => w.proofs.keepWriteTest(uuid(2), input(801, { format: [{ good: 361, sectors: 360 }, null] }))).toThrow(
      /format, lower head: 361 of 360 sectors cannot have come back/,
    )
    expect(() => w.proofs.keepWriteTest(uuid(2), input(802, { format: [null, null], pattern: [null, null] }))).toThrow(
      /nothing was tried/,
    )
    expect(() => input(803, { format: [{ good: -1, sectors: 5 }, null] })).toThrow()
    expect(() => input(804, { formatS: 0 })).toThrow(/above 0 s/)
  })
})

describe('what a drive leaves with', () => {
  async function certificate() {
    const w = await bench()
    w.find(uuid(2), 'belt.new')
    w.find(uuid(2), 'grease.renewed')
    w.say(uuid(2), {
      kind: 'released',
      station: 'release',
      title: 'Released',
      outcome: 'released',
      detail: 'Belt of this year; look again, in two.',
    })
    return { w, c: w.certificates.of(uuid(2), NOW) }
  }

  it('service dates as iCalendar, read by ical.js: whole days, unique, with a reminder of a week', async () => {
    const { c } = await certificate()
    const parsed = new ICAL.Component(ICAL.parse(serviceCalendar(c, 'http://127.0.0.1:3000/drives/x')) as [])
    const events = parsed.getAllSubcomponents('vevent').map(e => new ICAL.Event(e))
    expect(events.map(e => e.startDate.toString())).toEqual(c.nextService.map(s => s.on))
    expect(events.every(e => e.startDate.isDate)).toBe(true)
    expect(new Set(events.map(e => e.uid)).size).toBe(events.length)
    expect(events.find(e => e.uid.includes('oil'))!.summary).toBe('SK-05: a drop of oil on guide rail and screw')
    expect(
      parsed
        .getAllSubcomponents('vevent')[0]!
        .getFirstSubcomponent('valarm')!
        .getFirstPropertyValue('trigger')!
        .toString(),
    ).toBe('-P7D')
    expect(parsed.getFirstPropertyValue('version')).toBe('2.0')
    for (const line of serviceCalendar(c, 'x').split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75)
  })

  it.skipIf(!existsSync('/usr/bin/pdftotext'))('the PDF says what the JSON says, by pdftotext', async () => {
    const { c } = await certificate()
    const path = join(mkdtempSync(join(tmpdir(), 'wobrin-pdf-')), 'c.pdf')
    writeFileSync(path, await makePdf(certificateDocument(c), FONTS))
    const text = execFileSync('pdftotext', ['-layout', path, '-']).toString().replace(/\s+/g, ' ')
    for (const part of [
      'Drive SK-05',
      'Fennick 40B',
      'Squeals.',
      'Belt of this year; look again, in two.',
      'Belt: new one fitted',
      'Next service',
      c.nextService[0]!.on,
      'That it reads or writes any disk',
    ])
      expect(text).toContain(part)
    expect(text).toContain(c.hash)
    for (const s of c.notShown) expect(text).toContain(s.split(' ').slice(0, 5).join(' '))
  })

  it.skipIf(!existsSync('/usr/bin/pdftoppm'))(
    'the label is 62 × 29 mm and its code opens the drive’s page, by pdfinfo and a QR reader',
    async () => {
      const { c } = await certificate()
      const address = `http://127.0.0.1:3000/drives/${uuid(2)}`
      const folder = mkdtempSync(join(tmpdir(), 'wobrin-label-'))
      writeFileSync(join(folder, 'l.pdf'), await makePdf(labelDocument(c, RUNGS.own.title, address), FONTS))
      const info = execFileSync('pdfinfo', [join(folder, 'l.pdf')]).toString()
      const [, wide, high] = /Page size:\s+([\d.]+) x ([\d.]+) pts/.exec(info)!
      expect((Number(wide) / 72) * 25.4).toBeCloseTo(62, 0)
      expect((Number(high) / 72) * 25.4).toBeCloseTo(29, 0)
      expect(info).toMatch(/Pages:\s+1\n/)
      expect(execFileSync('pdftotext', [join(folder, 'l.pdf'), '-']).toString()).toContain('SK-05')
      execFileSync('pdftoppm', ['-r', '300', '-png', '-singlefile', join(folder, 'l.pdf'), join(folder, 'l')])
      const { default: sharp } = await import('sharp')
      const { data, info: size } = await sharp(readFileSync(join(folder, 'l.png')))
        .ensureAlpha()
        .raw()
        .toBuffer({ resolveWithObject: true })
      expect(jsQR(new Uint8ClampedArray(data), size.width, size.height)?.data).toBe(address)
    },
  )

  it('comes back whole, and is compared with the log here', async () => {
    const { w, c } = await certificate()
    expect(w.certificates.check(JSON.parse(JSON.stringify(c)))).toMatchObject({ state: 'whole', tag: 'SK-05' })
    expect(w.certificates.check({ ...c, remark: 'Perfect.' })).toMatchObject({
      state: 'changed',
      call: { kind: 'stop' },
    })
    w.find(uuid(2), 'smell.none')
    expect(w.certificates.check(c).call.reasons[0]).toContain('1 entry has come since')
    expect((await workshop()).certificates.check(c)).toMatchObject({
      state: 'whole',
      call: { reasons: expect.arrayContaining([expect.stringContaining('not in this workshop')]) },
    })
  })
})
