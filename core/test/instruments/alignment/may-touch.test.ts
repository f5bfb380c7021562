import { describe, expect, it } from 'vitest'
import { namingOf, railBars, swingOf, swingSize, toReadings, type RawTrack } from '../../../src/instruments/interface'
import { explainSurface, mayTouch, type SurfaceEvidence, type TouchCase } from '../../../src/instruments/alignment'
import { usualHalfWindowUm } from '../../../src/calculators/alignment'
import { readSurface, SimulatedDrive, soundDrive, type DriveSpec } from '../../../src/simulator'

function surface(
  part: (d: DriveSpec) => Partial<DriveSpec>,
  mechanism: DriveSpec['mechanism'] = '3.5in',
): { readonly evidence: SurfaceEvidence; readonly raw: RawTrack[] } {
  const sound = soundDrive(mechanism, 5)
  const drive = new SimulatedDrive({ ...sound, ...part(sound) })
  const { cylinders, heads } = drive.media!.layout
  const run = readSurface(drive, {
    cylinders: [0, 0.1, 0.3, 0.5, 0.7, 0.85, 1].map(s => Math.round(s * (cylinders - 2))),
    heads: heads === 2 ? [0, 1] : [0],
    turns: 2,
    stepMs: 6,
    settleMs: 18,
  })
  const raw: RawTrack[] = []
  for (let step = run.next(); !step.done; step = run.next()) raw.push(step.value.track)
  const naming = namingOf(raw)
  const swings = ([0, 1] as const).map(h => {
    const s = swingOf(raw, h)
    return s && { size: swingSize(s), sd: s.sd }
  })
  return { evidence: { bars: railBars(toReadings(raw, naming)), homeOff: naming.offset, rateOff: null, swings }, raw }
}
const head = (d: DriveSpec, i: 0 | 1, part: Partial<DriveSpec['heads'][0]>): Partial<DriveSpec> => ({
  heads: d.heads.map((h, k) => (k === i ? { ...h, ...part } : h)) as unknown as DriveSpec['heads'],
})
const ask = (evidence: SurfaceEvidence | null, part: Partial<TouchCase> = {}) =>
  mayTouch({
    mechanism: '3.5in',
    surface: evidence,
    speed: 'leave',
    trustedDisk: true,
    clean: true,
    lacquer: {},
    secondDisk: null,
    ...part,
  })
const half = usualHalfWindowUm('3.5in')

const sound = surface(() => ({})).evidence
const upperOff = surface(d => head(d, 1, { radialUm: 0.75 * half })).evidence
const bothOff = surface(d => ({ carriage: { ...d.carriage, offsetUm: 0.8 * half } })).evidence
const homeOff = surface(() => ({ sensorAt: 1.5 })).evidence
const weak = surface(d => head(d, 0, { amplitude: 0.55 })).evidence
const dirty = surface(d => head(d, 0, { dirtUm: 0.5 })).evidence

describe('how the margin swings once a revolution', () => {
  it('a head off track swings, with the eccentricity of the disk; a weak or dirty one does not', () => {
    const size = (e: SurfaceEvidence, h: 0 | 1) => e.swings![h]!.size / e.swings![h]!.sd
    expect(size(upperOff, 1)).toBeGreaterThan(6)
    expect(size(weak, 0)).toBeLessThan(4)
    expect(size(dirty, 0)).toBeLessThan(4)
  })
  it('needs the index, and enough sectors', () => {
    const { raw } = surface(() => ({}))
    expect(
      swingOf(
        raw.map(({ index: _, ...t }) => t),
        0,
      ),
    ).toBeNull()
    expect(swingOf(raw.slice(0, 2), 0)).toBeNull()
  })
})

describe('what is behind a surface', () => {
  const priors = { trustedDisk: true, clean: true, lacquer: {} }
  it.each([
    ['a sound drive', sound, 'sound', null],
    ['the upper head off', upperOff, 'heads', 1],
    ['both heads off together', bothOff, 'stepper', null],
    ['home off', homeOff, 'sensor', null],
    ['a weak lower head', weak, 'weak', 0],
  ] as const)('%s is found', (_, evidence, cause, h) => {
    const [first] = explainSurface('3.5in', evidence, priors)
    expect(first).toMatchObject({ cause, head: h })
  })
  it('says by how much: three quarters of the half window within a sixth of it', () => {
    expect(Math.abs(explainSurface('3.5in', upperOff, priors)[0]!.size!.value - 0.75 * half)).toBeLessThan(half / 6)
  })
  it('probabilities add up to one; a drive type without tracks has none', () => {
    expect(explainSurface('3.5in', dirty, priors).reduce((n, e) => n + e.probability, 0)).toBeCloseTo(1, 1)
    expect(explainSurface('cartridge', dirty, priors)).toEqual([])
  })
})

describe('may it be touched', () => {
  it('sound, and not alignment: leave it', () => {
    expect(ask(sound)).toMatchObject({ call: { kind: 'leave' }, adjuster: null })
    expect(ask(dirty, { clean: false }).call.kind).not.toBe('nudge')
  })
  // Common practice: if both heads disagree, it is the heads; if both are off together, it is the sensor or the
  // stepper.
  it.each([
    ['upper', upperOff],
    ['stepper', bothOff],
    ['sensor', homeOff],
  ] as const)('names the %s', (adjuster, evidence) => {
    expect(ask(evidence)).toMatchObject({ call: { kind: 'nudge' }, adjuster })
  })
  it('sealed and no evidence: leave it', () => {
    expect(ask(null, { lacquer: { upper: 'whole', lower: 'whole', sensor: 'whole' } }).call).toMatchObject({
      kind: 'leave',
      reasons: ['The seals are intact and nothing speaks for misalignment.'],
    })
    expect(ask(null).call.kind).toBe('unknown')
  })
  it('sealed against evidence: a second reference disk first', () => {
    const sealed = { lacquer: { upper: 'whole' as const } }
    expect(ask(upperOff, sealed).call).toMatchObject({ kind: 'unknown' })
    expect(ask(upperOff, { ...sealed, secondDisk: 'same' }).call.kind).toBe('nudge')
  })
  it('speed first, then the disk', () => {
    expect(ask(upperOff, { speed: null }).call.reasons[0]).toMatch(/speed was not measured/)
    expect(ask(upperOff, { speed: 'nudge' }).call.next).toBe('Set the speed first.')
    expect(ask(upperOff, { trustedDisk: null }).call.kind).toBe('unknown')
    expect(ask(upperOff, { secondDisk: 'reads' }).call.next).toMatch(/Touch no adjuster/)
  })
  it('a cartridge drive and a quick disk have nothing to align', () => {
    expect(
      mayTouch({
        mechanism: 'cartridge',
        surface: null,
        speed: null,
        trustedDisk: null,
        clean: false,
        lacquer: {},
        secondDisk: null,
      }).call.kind,
    ).toBe('leave')
    expect(
      mayTouch({
        mechanism: 'quick-disk',
        surface: null,
        speed: null,
        trustedDisk: null,
        clean: false,
        lacquer: {},
        secondDisk: null,
      }).call.next,
    ).toMatch(/start of the sweep/)
  })
})
