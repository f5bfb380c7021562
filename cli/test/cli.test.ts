import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { execFileSync, spawnSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { writeVcd } from '@wobrin/core/signals/captures'
import { edgesFromFlux, fluxOf } from '@wobrin/core/signals/separator'
import { sectorTrack } from '@wobrin/core/signals/codes'
import { scopeWav, SOUND_ALIGNMENT } from '@wobrin/core/simulator'
import { main } from '../src/main'

const folder = mkdtempSync(join(tmpdir(), 'wobrin-cli-'))
const file = (name: string, content?: string | Uint8Array) => {
  const path = join(folder, name)
  if (content !== undefined) writeFileSync(path, content)
  return path
}

async function wobrin(...args: string[]) {
  const out: string[] = []
  const err: string[] = []
  vi.spyOn(console, 'log').mockImplementation(line => void out.push(String(line)))
  vi.spyOn(console, 'error').mockImplementation(line => void err.push(String(line)))
  const code = await main(args)
  vi.restoreAllMocks()
  return { code, out: out.join('\n'), err: err.join('\n') }
}
afterEach(() => vi.restoreAllMocks())

describe('wobrin speed', () => {
  it('prints the report as JSON, with the fields that scripts rely on', async () => {
    const path = file('seam.vcd')
    await wobrin('simulate', path, '--scenario', 'seam', '--seconds', '30')
    const { code, out } = await wobrin(
      'speed',
      path,
      '--mechanism',
      '5.25in-48',
      '--json',
      '--motor-pulley',
      '9',
      '--flywheel',
      '62',
      '--belt-length',
      '269.12',
    )
    const report = JSON.parse(out)
    expect(code).toBe(0)
    expect(report).toMatchObject({
      call: 'mend',
      revolutions: expect.any(Number),
      discarded: [],
      rpm: { mean: expect.closeTo(301.2, 0), low95: expect.any(Number), high95: expect.any(Number) },
      variation: { peakPercent: expect.any(Number), rmsPercent: expect.any(Number) },
    })
    expect(report.components[0]).toEqual({
      hz: expect.closeTo(3.63, 1),
      peakPercent: expect.closeTo(3.2, 1),
      likely: 'belt, by its alias',
    })
    expect(report.reasons[0]).toMatch(/varies by 3\.\d %/)
  })

  it('speaks to people without it, for every call', async () => {
    for (const [scenario, words] of [
      ['fast', /^Nudge it: /],
      ['right', /^Leave it: /],
      ['cold', /^Not known yet: /],
    ] as const) {
      const path = file(`${scenario}.vcd`)
      await wobrin('simulate', path, '--scenario', scenario)
      const { code, out } = await wobrin('speed', path, '--mechanism', '5.25in-48')
      expect(code).toBe(0)
      expect(out).toMatch(words)
      expect(out).toMatch(/\nNext: .+\n\n {2}mean .+ r\/min over \d+ revolutions, channel INDEX/)
    }
  })

  it('lists what was set aside', async () => {
    const path = file('doubled.vcd')
    await wobrin('simulate', path, '--scenario', 'doubled', '--seconds', '60')
    expect((await wobrin('speed', path, '--mechanism', '3.5in')).out).toMatch(
      /set aside {3}\d+: .*(?:missed pulse|extra pulse) at/,
    )
  })

  it.each([
    ['no such file', ['speed', 'nowhere.vcd', '--mechanism', '3in'], /nowhere\.vcd: there is no such file/],
    ['no mechanism', ['speed', 'x.vcd'], /Missing required argument: --mechanism/],
    [
      'an unknown mechanism',
      ['speed', 'x.vcd', '--mechanism', '4in'],
      /mechanism: there is no drive type "4in"; expected one of 8in/,
    ],
    [
      'a bad number',
      [
        'speed',
        file('a.vcd', '$timescale 1 us $end $var wire 1 ! A $end $enddefinitions $end\n#0 0! #5 1! #9 0! #12 1!\n'),
        '--mechanism',
        '3in',
        '--pulses-per-turn',
        'two',
      ],
      /--pulses-per-turn: "two"; expected a number of at least 1/,
    ],
    [
      'an unknown school',
      [
        'speed',
        file('b.vcd', '$timescale 1 us $end $var wire 1 ! A $end $enddefinitions $end\n#0 0! #5 1! #9 0! #12 1!\n'),
        '--mechanism',
        '3in',
        '--school',
        'any',
      ],
      /--school: "any"; expected one of leave-alone, dial-in/,
    ],
    [
      'a picture',
      ['speed', file('p.vcd', Uint8Array.from([0x89, 80, 78, 71, 13, 10])), '--mechanism', '3in'],
      /p\.vcd, byte 0: this looks like a PNG picture/,
    ],
    ['a folder', ['speed', folder, '--mechanism', '3in'], /this is not a file/],
    [
      'an unknown command',
      ['spin'],
      /there is no command "spin"; expected one of speed, live, strobe, simulate, mechanisms/,
    ],
  ])('%s: one plain line and exit 2', async (_, args, line) => {
    const { code, out, err } = await wobrin(...args)
    expect(code).toBe(2)
    expect(out).toBe('')
    expect(err).toMatch(line)
    expect(err.split('\n')).toHaveLength(1)
  })
})

describe('the other commands', () => {
  it('strobe says the bars, or that none fits, and draws a disc', async () => {
    expect((await wobrin('strobe', '--rpm', '300')).out).toBe('20 bars stand still at 300 r/min under a lamp on 50 Hz.')
    expect((await wobrin('strobe', '--rpm', '360', '--mains', '50')).out).toMatch(
      /No whole number of bars fits .* Nearest: 17 bars/,
    )
    const path = file('disc.svg')
    await wobrin('strobe', '--rpm', '300', '--svg', path)
    expect(readFileSync(path, 'utf8')).toMatch(/^<svg/)
  })

  it('mechanisms lists all nine with their source', async () => {
    const { out } = await wobrin('mechanisms')
    for (const id of ['8in', '3.5in-eject', 'cartridge']) expect(out).toContain(id)
    expect(JSON.parse((await wobrin('mechanisms', '--json')).out)).toHaveLength(9)
  })

  it('explains itself', async () => {
    expect((await wobrin()).out).toMatch(/speed/)
    expect((await wobrin('speed', '--help')).out).toMatch(/pulses-per-turn/)
  })

  it('runs as an installed command', () => {
    const path = file('run.vcd')
    const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
    execFileSync(process.execPath, [bin, 'simulate', path, '--seconds', '5'])
    expect(
      JSON.parse(
        execFileSync(process.execPath, [bin, 'speed', path, '--mechanism', '5.25in-48', '--json'], {
          encoding: 'utf8',
        }),
      ).call,
    ).toBe('nudge')
  })
})

describe('wobrin fit', () => {
  it('lists what ships, solves a pair, and says what cannot be', async () => {
    expect((await wobrin('fit')).out).toMatch(/^Hosts\n {2}1 {2}Expects disk change on 34/)
    expect((await wobrin('fit', '--host', '1', '--drive', '1')).out).toMatch(
      /^Nudge it: It fits with 3 straps changed, out of 288 settings\./,
    )
    const { out } = await wobrin('fit', '--host', '1', '--drive', '4', '--json')
    expect(JSON.parse(out)).toMatchObject({ call: 'unknown', impossible: { needs: ['side'] } })
    expect(await wobrin('fit', '--host', '9', '--drive', '1')).toMatchObject({
      code: 2,
      err: 'wobrin: --host: there is no number 9; expected 1 to 5, or a file.',
    })
    expect(await wobrin('fit', '--host', 'package.json', '--drive', '1')).toMatchObject({
      code: 2,
      err: expect.stringContaining('it is no profile of a host or of a drive'),
    })
  })
})

describe('wobrin reading', () => {
  it('judges what was read off something, with its source', async () => {
    const json = JSON.parse((await wobrin('reading', 'speed.mean', '301', '--mechanism', '5.25in-48', '--json')).out)
    expect(json).toMatchObject({ call: { kind: 'leave' }, evidence: { source: 'host', recording: null } })
    expect((await wobrin('reading')).out).toMatch(/^speed\.mean +Spindle speed, r\/min/)
    expect(await wobrin('reading', 'moon', '1')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no reading “moon”'),
    })
  })
})

describe('wobrin calc', () => {
  it('is what sum was, and sum still is', async () => {
    const values = ['--values', 'length=1 m,wire=20 AWG,current=1', '--json']
    const { out } = await wobrin('calc', 'lead', ...values)
    expect((await wobrin('sum', 'lead', ...values)).out).toBe(out)
    expect(JSON.parse(out).evidence).toMatchObject({ source: 'instrument' })
  })
})

describe('wobrin sum', () => {
  it('lists its fields, answers in words and as JSON, and says what is wrong', async () => {
    expect((await wobrin('sum', 'belt')).out).toMatch(/^motor +Motor pulley \(needed\)/)
    const { out } = await wobrin(
      'sum',
      'belt',
      '--values',
      'motor=9,flywheel=62,centre=2 3/4 in,section=1.2,candidate=236',
    )
    expect(out).toMatch(
      /^Mend it: Stretched by 10\.6 %, it is too tight.*Order 249 mm\.\n {2}Path along the belt’s middle: 265\.2 mm/s,
    )
    expect(
      JSON.parse((await wobrin('sum', 'lead', '--values', 'length=1 m,wire=20 AWG,current=1', '--json')).out).call.kind,
    ).toBe('leave')
    expect(await wobrin('sum', 'lead', '--values', 'length=1 m')).toMatchObject({
      code: 2,
      err: 'wobrin: --values: Wire, Current left out; expected all that the calculator needs.',
    })
    expect(await wobrin('sum', 'lead', '--values', 'colour=red')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no field "colour"'),
    })
    expect((await wobrin('sum', 'board', '--values', 'caps.0.marked=10u,caps.0.reading=1.22u')).out).toContain(
      '1  10 µF',
    )
    expect(await wobrin('sum', 'board', '--values', 'caps.99.marked=10u')).toMatchObject({ code: 2 })
    expect(await wobrin('sum', 'anvil')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no instrument “anvil”'),
    })
  })
})

describe('wobrin steps and clean', () => {
  it('steps lists what a class has, and what was found adds and closes', async () => {
    const plain = await wobrin('steps', '--mechanism', '3in')
    expect(plain.out).toContain('Find the write-protect pin')
    expect(plain.out).not.toContain('Take the old belt off')
    const goo = await wobrin('steps', '--mechanism', '3in', '--found', 'belt.goo, smell.fish')
    expect(goo.out).toContain('Take the old belt off (10 min)')
    expect(goo.out).toContain(
      'Closed: First power. Belt: sticky, decayed. Power would wind the decayed rubber round the spindle.',
    )
    const json = JSON.parse((await wobrin('steps', '--mechanism', 'cartridge', '--json')).out)
    expect(json.gates.map((g: { id: string }) => g.id)).toEqual([
      'first-power',
      'insert-disk',
      'insert-good-disk',
      'close-up',
    ])
    expect(await wobrin('steps', '--mechanism', '3in', '--found', 'belt.purple')).toMatchObject({
      code: 2,
      err: 'wobrin: finding: there is no finding "belt.purple"; expected one of the vocabulary.',
    })
  })

  it('clean says what, on what, in which order', async () => {
    const { out, code } = await wobrin('clean', '--soils', 'crust', '--materials', 'board,head')
    expect(code).toBe(0)
    expect(out).toMatch(
      /1\. White vinegar on circuit board[\s\S]*Then 5 min\.[\s\S]*Deionised water[\s\S]*Isopropyl alcohol, 90 % or more on circuit board[\s\S]*Never:\n {4}White vinegar never on magnetic head/,
    )
    expect(await wobrin('clean', '--soils', 'crust,tar', '--materials', 'board')).toMatchObject({
      code: 2,
      err: expect.stringContaining('--soils: "tar"; expected one of dust, mould'),
    })
  })
})

describe('wobrin read', () => {
  it('reads a track from a recording of the read-data line, and writes its sectors', async () => {
    const written = Array.from({ length: 9 }, (_, i) => ({
      cylinder: 12,
      head: 0,
      sector: i + 1,
      data: new Uint8Array(512).fill(i + 65),
    }))
    const times = fluxOf(sectorTrack('MFM', written, 100_000), 2e-6, 2)
    const path = file('track.vcd', writeVcd([{ name: 'RDATA', edges: edgesFromFlux(times) }], { tickNs: 1 }))
    const image = join(folder, 'track.img')
    expect((await wobrin('read', path, '--image', image)).out).toMatch(
      /^Leave it: All 9 sectors read, with a timing margin of \d+ %\./,
    )
    expect(readFileSync(image)).toEqual(Buffer.concat(written.map(s => s.data)))
    expect(JSON.parse((await wobrin('read', path, '--json')).out)).toMatchObject({
      call: 'leave',
      format: { code: 'MFM', rate: 250_000 },
      channel: 'RDATA',
    })
    expect(await wobrin('read', path, '--channel', 'X')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no channel “X”'),
    })
    // The same track as raw transitions, in either form.
    for (const form of [[], ['--binary']]) {
      const raw = join(folder, `track${form.length}.trns`)
      expect((await wobrin('transitions', path, '--out', raw, ...form)).out).toMatch(
        /^\d+ transitions and 0 index marks/,
      )
      const again = join(folder, 'again.img')
      expect((await wobrin('read', raw, '--image', again)).out).toContain('All 9 sectors read')
      expect(readFileSync(again)).toEqual(readFileSync(image))
    }
  })
})

describe('wobrin bus and wobrin simulate', () => {
  const spec = file(
    'drive.json',
    JSON.stringify({
      mechanism: '3.5in',
      seed: 4,
      host: { cylinders: [0, 40, 79], turns: 2 },
      carriage: { startCylinder: 0 },
      disk: { grooves: [{ head: 1, fromCylinder: 40, toCylinder: 40, fromTurn: 0.4, toTurn: 0.5, liftUm: 9 }] },
    }),
  )
  const recording = file('drive.vcd')

  it('records a drive by a specification, and reads it back: report, image, map, margins, a stretch', async () => {
    expect(await wobrin('simulate', spec, '--out', recording)).toMatchObject({
      code: 0,
      out: expect.stringContaining('simulated 3.5-inch drive'),
    })
    const [image, csv, piece] = [file('disk.img'), file('margins.csv'), file('piece.vcd')]
    const { out } = await wobrin(
      'bus',
      recording,
      '--json',
      '--image',
      image,
      '--csv',
      csv,
      '--vcd',
      piece,
      '--from',
      '1',
      '--to',
      '1.1',
    )
    const report = JSON.parse(out)
    expect(report).toMatchObject({
      call: 'unknown',
      speed: { rpm: expect.closeTo(300, 0) },
      timings: { refusedSteps: 1 },
    })
    expect(report.totals.good + report.totals.bad + report.totals.missing).toBe(54)
    expect(report.tracks[0]).toMatchObject({ cylinder: 0, head: 0, code: 'mfm', marginPercent: expect.any(Number) })
    const states = report.tracks.flatMap((t: { sectors: { state: string }[] }) => t.sectors.map(s => s.state))
    for (const s of states) expect(['good', 'bad-data', 'bad-header', 'no-data', 'weak', 'foreign']).toContain(s)
    expect(readFileSync(image)).toHaveLength(54 * 512)
    expect(report.filled).toHaveLength(
      report.totals.bad + report.totals.missing - states.filter((s: string) => s === 'weak').length,
    )
    expect(readFileSync(`${image}.map.csv`, 'utf8').split('\r\n')[0]).toBe('cylinder,head,id,offset,bytes,state,data')
    expect(readFileSync(csv, 'utf8').trim().split('\r\n')).toHaveLength(7)
    expect(JSON.parse((await wobrin('bus', piece, '--json')).out).durationS).toBeCloseTo(0.1, 6)
    expect((await wobrin('bus', recording)).out).toMatch(
      /\n {2}cylinder 40 upper: MFM, 250 kbit\/s, \d of 9 good, margin .*; \d .*\n/,
    )
  })
  it('an example explains every parameter, and is itself a specification', async () => {
    const { out } = await wobrin('simulate', '--example')
    const example = JSON.parse(out)
    expect(example['// mechanism']).toContain('drive type')
    example.host.cylinders = [0]
    expect(
      await wobrin('simulate', file('example.json', JSON.stringify(example)), '--out', file('example.vcd')),
    ).toMatchObject({ code: 0 })
  })
  it('maps channels by hand; wrong names and codes are refused in a sentence', async () => {
    const bare = file(
      'bare.vcd',
      readFileSync(recording, 'utf8').replace(
        /(\$var wire 1 (\S) )\S+/g,
        (_, head: string, code: string) => `${head}D${code.charCodeAt(0) - 33}`,
      ),
    )
    expect(await wobrin('bus', bare)).toMatchObject({
      code: 2,
      err: expect.stringContaining('no channel is known as a line by its name'),
    })
    expect(
      JSON.parse(
        (await wobrin('bus', bare, '--json', '--map', 'STEP=D4,DIR=D5,track-0=D1,RDATA=D3,INDEX=D0,SIDE=D6')).out,
      ),
    ).toMatchObject({ homed: true, totals: { foreign: 0 } })
    expect(await wobrin('bus', bare, '--map', 'STEP=D77')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no channel “D77”'),
    })
    expect(await wobrin('bus', bare, '--map', 'WARP=D1')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no line “WARP”'),
    })
    expect(await wobrin('bus', recording, '--gain', '3')).toMatchObject({
      code: 2,
      err: expect.stringContaining('a number above 0, at most 1'),
    })
    expect(
      JSON.parse((await wobrin('bus', recording, '--json', '--gain', '0.2', '--window', '8')).out).totals.good,
    ).toBeGreaterThan(40)
    expect(await wobrin('bus', recording, '--code', 'morse')).toMatchObject({
      code: 2,
      err: expect.stringContaining('one of auto, fm, mfm'),
    })
  })
  it.each([
    ['not JSON', '{', 'the specification cannot be read'],
    ['an unknown parameter', '{"spindle":{"rpn":1}}', 'there is no parameter “spindle.rpn”'],
    ['a value out of range', '{"noise":7}', 'noise is 7; expected a number from 0 to 1'],
    ['a word that is none', '{"mechanism":"toaster"}', 'mechanism is "toaster"'],
    ['cylinders that are none', '{"host":{"cylinders":"some"}}', 'host.cylinders is not usable'],
    ['a groove without its parts', '{"disk":{"grooves":[{"head":0}]}}', 'a list of grooves'],
  ])('%s is refused in a sentence', async (_, text, says) => {
    expect(await wobrin('simulate', file('bad.json', text), '--out', file('never.vcd'))).toMatchObject({
      code: 2,
      err: expect.stringContaining(says),
    })
  })
})

describe('wobrin sweep', () => {
  const rows = [-8, -6, -5, -4.5, -4, -2, 0, 2, 4, 4.5, 5, 6, 8]
    .map(p => `${p},${Math.abs(p) < 4.3 ? 11 : 0},11,${Math.abs(p) < 4.7 ? 11 : 0},11`)
    .join('\n')
  it('says where both heads read, where to set it, and what to try next', async () => {
    const path = file('sweep.csv', `position,lower_good,lower_expected,upper_good,upper_expected\n${rows}\n`)
    const report = JSON.parse((await wobrin('sweep', path, '--json')).out)
    expect(report).toMatchObject({
      call: 'nudge',
      lower: { centre: expect.any(Number) },
      upper: { centre: expect.any(Number) },
      common: { from: expect.any(Number), to: expect.any(Number), centre: expect.closeTo(0, 0) },
      tryNext: null,
    })
    expect((await wobrin('sweep', path, '--unit', 'marks')).out).toMatch(
      /^Nudge it: It reads from .* marks .*\n {2}lower head: from/,
    )
  })
  it('knows the physics of a class, how far the adjuster goes and where it stood', async () => {
    const path = file('one.csv', 'position,side,lower_good,lower_expected,lower_margin\n0,below,9,9,60\n')
    const told = JSON.parse(
      (
        await wobrin(
          'sweep',
          path,
          '--json',
          '--mechanism',
          '3.5in',
          '--adjuster',
          'upper',
          '--travel=-10..10',
          '--stood',
          '0',
          '--um',
          '20',
        )
      ).out,
    )
    expect(told).toMatchObject({ call: 'unknown', tryNext: expect.any(Number), slack: 0, steps: false })
    expect(Math.abs(told.tryNext)).toBeLessThan(10)
    expect(await wobrin('sweep', path, '--travel', '10..-10')).toMatchObject({
      code: 2,
      err: expect.stringContaining('two numbers that rise'),
    })
    expect(await wobrin('sweep', path, '--adjuster', 'belt')).toMatchObject({
      code: 2,
      err: expect.stringContaining('"belt"; expected one of sensor, tab, stepper, lower, upper'),
    })
    expect(await wobrin('sweep', path, '--mechanism', 'toaster')).toMatchObject({
      code: 2,
      err: expect.stringContaining('"toaster"; expected one of 8in'),
    })
    expect(
      await wobrin('sweep', file('side.csv', 'position,side,lower_good,lower_expected\n0,left,9,9\n')),
    ).toMatchObject({ code: 2, err: expect.stringContaining('line 2, side: side is “left”') })
  })
  it('a wrong cell is named', async () => {
    expect(await wobrin('sweep', file('bad.csv', 'position,lower_good,lower_expected\n1,12,11\n2,0,11'))).toMatchObject(
      { code: 2, err: expect.stringContaining('row 1: lower head read 12 sectors of 11') },
    )
    expect(await wobrin('sweep', file('nothere') + 'x')).toMatchObject({ code: 2 })
  })
})

describe('wobrin scope', () => {
  it('finds lobes, bursts and index in a capture, and says which sum judges them', async () => {
    const path = file('lobes.wav')
    writeFileSync(path, scopeWav({ ...SOUND_ALIGNMENT, offsetUm: 40 }))
    const told = JSON.parse((await wobrin('scope', path, '--json')).out)
    expect(told).toMatchObject({
      pattern: 'lobes',
      turns: 1,
      humps: expect.arrayContaining([expect.objectContaining({ amplitude: expect.any(Number) })]),
    })
    expect(Number(told.values.first)).toBeLessThan(Number(told.values.second))
    expect((await wobrin('scope', path)).out).toMatch(
      /^Lobes of .*\nJudge them with: wobrin calc lobes --values first=/,
    )
    expect(await wobrin('scope', path, '--pattern', 'index')).toMatchObject({ code: 0 })
    expect(await wobrin('scope', path, '--pattern', 'azimuth')).toMatchObject({
      code: 2,
      err: expect.stringContaining('expected 4: four bursts'),
    })
    expect(await wobrin('scope', path, '--pattern', 'moon')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no pattern “moon”'),
    })
    expect(await wobrin('scope', 'nothere.wav')).toMatchObject({
      code: 2,
      err: expect.stringContaining('it cannot be read'),
    })
  })
})

describe('wobrin parts', () => {
  it('lists the pieces behind their assemblies, of one drive type where that is asked', async () => {
    const { code, out } = await wobrin('parts', '--mechanism', '3.5in-eject', '--json')
    expect(code).toBe(0)
    const list = JSON.parse(out) as { id: string; within: string | null; again: string[] }[]
    expect(list).toContainEqual(expect.objectContaining({ id: 'gear-housing', within: 'gears' }))
    expect(list.find(p => p.id === 'eject-motor')!.again).toContain('Load and eject a sacrificial disk ten times.')
    expect((await wobrin('parts', '--mechanism', '3.5in')).out).not.toContain('gear-housing')
    expect(await wobrin('parts', '--mechanism', '9in')).toMatchObject({ code: 2 })
  })
})

describe('wobrin procedure', () => {
  it('tells how a part is changed, with waits and what has to rest', async () => {
    const { code, out } = await wobrin('procedure', '--part', 'belt', '--mechanism', '5.25in-48', '--json')
    expect(code).toBe(0)
    const told = JSON.parse(out) as { steps: { id: string; wait?: { rests: string[] } }[]; hands: number }
    expect(told.steps.find(s => s.id === 'clean')!.wait!.rests).toContain('power')
    expect((await wobrin('procedure', '--id', 'wash-disk', '--mechanism', '3.5in')).out).toContain('rests: disk')
  })
  it('asks for one thing, and names what it does not know', async () => {
    expect(await wobrin('procedure', '--mechanism', '3.5in')).toMatchObject({ code: 2 })
    expect(await wobrin('procedure', '--part', 'flux', '--mechanism', '3.5in')).toMatchObject({ code: 2 })
  })
})

describe('wobrin pool', () => {
  const drive = (id: string, parts: object, more: object = {}) => ({
    id,
    mechanism: '3.5in',
    model: 'M80',
    value: 10,
    parts,
    ...more,
  })

  it('prints what can be made to work, under stable names, and says it in words', async () => {
    const box = file(
      'box.json',
      JSON.stringify({
        drives: [
          drive('A', { motor: 'bad', gear: 'good' }),
          drive('B', { motor: 'good', gear: 'unknown' }, { value: 5 }),
        ],
        moves: { motor: 20 },
      }),
    )
    const { code, out } = await wobrin('pool', box, '--json')
    expect(code).toBe(0)
    expect(JSON.parse(out)).toEqual({
      works: [{ drive: 'A', from: { motor: 'B' } }],
      value: 10,
      minutes: 20,
      donors: ['B'],
      left: [],
      proved: true,
      says: expect.any(String),
    })
    expect((await wobrin('pool', box)).out).toContain('A can be made to work with the motor of B.')
  })

  it('says in one line what cannot be read', async () => {
    expect(await wobrin('pool', file('bad-box.json', '{"drives": [{}]}'))).toMatchObject({
      code: 2,
      err: expect.stringMatching(/bad-box\.json, drives\[0\]/),
    })
  })
})

describe('wobrin plan', () => {
  const task = (id: string, minutes: number, more: object = {}) => ({
    id,
    drive: 'SK-01',
    minutes,
    attended: true,
    ...more,
  })

  it('prints the shortest plan, under stable names, and what fits into a sitting', async () => {
    const bench = file(
      'bench.json',
      JSON.stringify({
        hands: 1,
        minutes: 30,
        tasks: [
          task('oil', 5),
          task('soak', 60, { attended: false, after: ['oil'] }),
          task('test', 20, { after: ['soak'] }),
          task('clean', 25),
        ],
      }),
    )
    const { code, out } = await wobrin('plan', bench, '--json')
    expect(code).toBe(0)
    const answer = JSON.parse(out)
    expect(answer).toMatchObject({ makespanMinutes: 85, bound: 85, proved: true, sitting: { runsOn: ['soak'] } })
    expect(answer.schedule).toContainEqual({ id: 'test', start: 65, end: 85 })
    expect((await wobrin('plan', bench)).out).toContain('All is done after 85 min; no plan is shorter.')
  })

  it('says in one line what holds a plan that is not possible', async () => {
    const circle = JSON.stringify({ hands: 1, tasks: [task('a', 1, { after: ['b'] }), task('b', 1, { after: ['a'] })] })
    expect(await wobrin('plan', file('circle.json', circle))).toMatchObject({
      code: 2,
      err: expect.stringContaining('in a circle'),
    })
    expect(await wobrin('plan', file('circle.json'), '--seconds', 'x')).toMatchObject({ code: 2 })
  })
})

describe('wobrin bench-test', () => {
  it('prints the sheet of a drive type, and fills it from a case', async () => {
    const empty = JSON.parse((await wobrin('bench-test', '--mechanism', '8in', '--json')).out)
    expect(empty).toMatchObject({ tried: 0, wrong: 0 })
    expect(empty.points[0]).toMatchObject({ check: 'supply.5v', state: 'not tried', how: expect.any(Object) })
    const readings = [{ key: 'see.protect', value: 'never', source: 'host' }]
    const path = file('sheet.json', JSON.stringify({ mechanism: '3.5in', readings }))
    const filled = JSON.parse((await wobrin('bench-test', path, '--json')).out)
    expect(filled).toMatchObject({ tried: 2, wrong: 1 })
    expect(filled.causes[0].fault).toMatch(/^(?:protect-|line-)/)
    expect((await wobrin('bench-test', path)).out).toMatch(/2 of \d+ tried, 1 wrong/)
  })
  it.each([
    [['bench-test'], /no case was given/],
    [['bench-test', '--mechanism', '3.5in', '--rpm', 'fast'], /--rpm.*“fast” is not a speed|“fast” is not a speed/],
  ])('%s: one sentence, exit 2', async (args, says) => {
    const { code, err } = await wobrin(...(args as string[]))
    expect(code).toBe(2)
    expect(err).toMatch(says)
  })
})

describe('wobrin diagnose', () => {
  const noSpin = { mechanism: '3in', complaints: ['no-spin'], found: [{ finding: 'belt.goo', place: null }] }
  it('prints causes, pairs, next checks and what it would mend, under stable names', async () => {
    const { code, out } = await wobrin('diagnose', file('case.json', JSON.stringify(noSpin)), '--json')
    expect(code).toBe(0)
    const answer = JSON.parse(out)
    expect(answer).toMatchObject({ mendNow: 'belt.rotten', call: 'mend', contradictions: [] })
    expect(answer.causes[0]).toMatchObject({
      fault: 'belt.rotten',
      part: 'belt',
      why: expect.any(Array),
      against: [],
      cure: expect.any(String),
    })
    expect(answer.unknown).toBeLessThan(0.1)
    for (const n of answer.next)
      expect(n).toMatchObject({ check: expect.any(String), minutes: expect.any(Number), leaves: expect.any(Array) })
  })
  it('says it in words, and lists what there is', async () => {
    const { out } = await wobrin('diagnose', file('case.json', JSON.stringify(noSpin)))
    expect(out).toMatch(/^Mend it: The belt has decayed/)
    const list = await wobrin('diagnose', '--list', 'faults', '--mechanism', 'cartridge', '--json')
    expect(JSON.parse(list.out).map((f: { id: string }) => f.id)).toContain('cartridge-heads.torn')
    expect((await wobrin('diagnose', '--list', 'complaints')).out).toContain('no-spin')
  })
  it('takes rates that somebody edited', async () => {
    const { out } = await wobrin('diagnose', '--write-rates')
    const path = file('case.json', JSON.stringify({ ...noSpin, found: [] }))
    const share = async (...more: string[]) =>
      JSON.parse((await wobrin('diagnose', path, '--json', ...more)).out).causes.find(
        (c: { fault: string }) => c.fault === 'spindle-motor.dead',
      ).probability
    const rates = file('rates.csv', out.replace(/^spindle-motor\.dead,[^,]+/m, 'spindle-motor.dead,200'))
    expect(await share('--rates', rates)).toBeGreaterThan(2 * (await share()))
  })
  it.each([
    ['{"mechanism":"3in","complaints":["no-spinn"]}', /there is no complaint "no-spinn"; expected one such as no-spin/],
    ['{"mechanism":', /case\.json: it is not JSON/],
  ])('%s: one sentence, exit 2', async (text, says) => {
    const { code, err } = await wobrin('diagnose', file('case.json', text), '--json')
    expect(code).toBe(2)
    expect(err).toMatch(says)
  })
})

describe('wobrin blame', () => {
  const rows = ['A', 'B'].flatMap(d =>
    ['R', 'S'].flatMap(r =>
      [0, 1].flatMap(h =>
        ['outer', 'middle', 'inner'].map(z => `${d},duplicator,${r},${h},${z},${r === 'S' && h ? 0 : 9},9`),
      ),
    ),
  )
  it('names what it is, as text and as JSON', async () => {
    const path = file('bench.csv', `disk,writer,drive,head,zone,good,sectors\n${rows.join('\n')}\n`)
    const { code, out } = await wobrin('blame', path)
    expect(code).toBe(0)
    expect(out).toMatch(/^Mend it: It is S, upper head: a dead head \d+ %, a head off track/)
    expect(JSON.parse((await wobrin('blame', path, '--json')).out)).toMatchObject({
      call: { kind: 'mend' },
      failing: 6,
      places: 24,
    })
  })
  it('says in one line what cannot be read', async () => {
    expect(await wobrin('blame', file('bad.csv', 'disk\nA\n'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('bad.csv, line 1: the column writer is missing'),
    })
    expect(await wobrin('blame', '/nowhere.csv')).toMatchObject({
      code: 2,
      err: expect.stringContaining('there is no such file'),
    })
  })
})

describe('wobrin write-test', () => {
  it('passes a drive whose heads are off, and refuses a state that is none', async () => {
    const { code, out } = await wobrin('write-test', '--mechanism', '3in', '--state', 'both-off', '--json')
    expect(code).toBe(0)
    expect(JSON.parse(out)).toMatchObject({
      state: 'both-off',
      call: { kind: 'leave' },
      result: { blocked: true, allowed: true },
    })
    expect((await wobrin('write-test', '--state', 'always-protected')).out).toContain(
      'Mend it: It does not write a write-enabled disk',
    )
    expect(await wobrin('write-test', '--state', 'haunted')).toMatchObject({
      code: 2,
      err: expect.stringContaining('expected one of sound'),
    })
    expect(await wobrin('write-test', '--mechanism', 'cartridge')).toMatchObject({ code: 2 })
  })
})

describe('wobrin check', () => {
  it('tells a whole certificate from a changed one, and either from what is none', async () => {
    const { buildCertificate } = await import('@wobrin/core/release')
    const drive = {
      id: 'd',
      tag: 'SK-05',
      simulated: false,
      mechanism: '3in' as const,
      maker: '',
      model: '',
      serial: '',
      host: '',
      ownerWords: '',
      features: null,
      account: null,
      nominalRpm: null,
      motor: null,
      hasTrimmer: null,
      pulleys: null,
      year: null,
      goal: null,
      practice: null,
      route: 'complaint' as const,
      receivedAt: '2026-01-01T00:00:00Z',
    }
    const certificate = buildCertificate(drive, [], 'S', '2026-01-02T00:00:00Z')
    expect((await wobrin('check', file('c.json', JSON.stringify(certificate)))).out).toContain(
      'Leave it: It is as it was issued.',
    )
    expect(
      JSON.parse(
        (await wobrin('check', file('d.json', JSON.stringify({ ...certificate, remark: 'Like new.' })), '--json')).out,
      ),
    ).toMatchObject({ state: 'changed', tag: 'SK-05' })
    expect((await wobrin('check', file('e.json', '{}'))).out).toContain(
      'Not known yet: This is not a certificate of ours',
    )
    expect(await wobrin('check', file('f.json', '{'))).toMatchObject({
      code: 2,
      err: expect.stringContaining('the file is not JSON'),
    })
    expect(await wobrin('check', '/nowhere.json')).toMatchObject({ code: 2 })
  })
})

describe('a closed pipe', () => {
  it('ends a command quietly', () => {
    const bin = join(import.meta.dirname, '../bin/wobrin.mjs')
    const { status, stderr, stdout } = spawnSync(
      'sh',
      ['-c', `"${process.execPath}" "${bin}" steps --mechanism 8in | head -n 1`],
      {
        encoding: 'utf8',
      },
    )
    expect(stdout.split('\n')).toHaveLength(2)
    expect(stderr).not.toMatch(/EPIPE|Error/)
    expect(status).toBe(0)
  })
})
