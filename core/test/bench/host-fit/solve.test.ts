import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import {
  compareCost,
  costOf,
  judgeFit,
  proveImpossible,
  settingsOf,
  solveFit,
  type Cost,
  type Setting,
} from '../../../src/bench/host-fit'
import {
  HOSTS,
  DRIVES,
  MODE_IDS,
  SIGNAL_IDS,
  valuesOf,
  type Cable,
  type Choice,
  type DriveProfile,
  type Effects,
  type HostProfile,
  type Need,
  type Want,
} from '../../../src/drives/hosts'

/** Every setting, one after another. */
function* everySetting(drive: DriveProfile): Generator<Setting> {
  const at = drive.choices.map(() => 0)
  for (;;) {
    yield [...at]
    let i = 0
    while (i < at.length && ++at[i]! === drive.choices[i]!.positions.length) at[i++] = 0
    if (i === at.length) return
  }
}

/** The reference: the least cost over all settings, by looking at each. */
function bruteForce(host: HostProfile, drive: DriveProfile, cable: Cable): Cost | null {
  let best: Cost | null = null
  for (const s of everySetting(drive)) {
    const cost = costOf(host, drive, s, cable)
    if (cost && (!best || compareCost(cost, best) < 0)) best = cost
  }
  return best
}

// Few signals, pins and ways, so that parts meet and clash often.
const signals = SIGNAL_IDS.filter(s => ['select', 'motor', 'ready', 'disk-change', 'density-in', 'index'].includes(s))
const modes = MODE_IDS.slice(0, 4)
const line = fc.record({ signal: fc.constantFrom(...signals), pin: fc.integer({ min: 1, max: 6 }) })
const way = fc
  .constantFrom(...modes)
  .chain(mode => fc.record({ mode: fc.constant(mode), value: fc.constantFrom(...valuesOf(mode).map(([v]) => v)) }))
const effects: fc.Arbitrary<Effects> = fc.record({
  lines: fc.array(line, { maxLength: 2 }),
  ways: fc.array(way, { maxLength: 1 }),
})
const want: fc.Arbitrary<Want> = fc.oneof(
  line.map((l): Want => ({ kind: 'line', ...l })),
  way.map((w): Want => ({ kind: 'way', mode: w.mode, oneOf: [w.value] })),
  fc.integer({ min: 1, max: 6 }).map((pin): Want => ({ kind: 'quiet', pin })),
)
const anyHost: fc.Arbitrary<HostProfile> = fc
  .array(
    fc.record({
      weight: fc.constantFrom('must' as const, 'expected' as const, 'notice' as const),
      wants: fc.array(want, { minLength: 1, maxLength: 3 }),
    }),
    { maxLength: 6 },
  )
  .map(needs => ({
    format: 'wobrin-host-profile',
    version: 1,
    name: 'any',
    pins: 6,
    needs: needs.map((n, i): Need => ({ id: `n${i}`, ...n })),
  }))
const anyDrive: fc.Arbitrary<DriveProfile> = fc
  .record({
    fixed: effects,
    choices: fc.array(
      fc.record({
        kind: fc.constantFrom('strap' as const, 'wire' as const, 'cut' as const),
        positions: fc.array(effects, { minLength: 1, maxLength: 4 }),
        found: fc.nat(3),
      }),
      { maxLength: 5 },
    ),
  })
  .map(({ fixed, choices }) => ({
    format: 'wobrin-drive-profile',
    version: 1,
    name: 'any',
    pins: 6,
    fixed,
    choices: choices.map((c, i): Choice => ({
      id: `c${i}`,
      label: `Strap ${i}`,
      kind: c.kind,
      positions: c.positions.map((p, j) => ({ id: `p${j}`, label: `${j}`, ...p })),
      found: `p${c.found % c.positions.length}`,
    })),
  }))
const cable = fc.constantFrom('straight' as const, 'made' as const)

describe('host fit against brute force over every setting', () => {
  it('finds the least cost for any pair of profiles, and null exactly where every setting clashes', () => {
    let [clashing, missed, met] = [0, 0, 0]
    fc.assert(
      fc.property(anyHost, anyDrive, cable, (host, drive, how) => {
        const reference = bruteForce(host, drive, how)
        const found = solveFit(host, drive, how)
        expect(found?.cost ?? null).toEqual(reference)
        if (!found) clashing++
        else {
          expect(costOf(host, drive, found.setting, how)).toEqual(found.cost)
          if (found.cost[0] > 0) missed++
          else met++
        }
      }),
      { numRuns: 500, seed: 4 },
    )
    // The check would mean little if one kind of outcome hardly came up.
    expect(Math.min(clashing, missed, met)).toBeGreaterThan(20)
  })

  it('every pair of the profiles that ship, with both cables', () => {
    for (const host of HOSTS)
      for (const drive of DRIVES)
        for (const how of ['straight', 'made'] as const)
          expect(solveFit(host, drive, how)?.cost ?? null, `${host.name} / ${drive.name}`).toEqual(
            bruteForce(host, drive, how),
          )
  })

  it('“impossible” is said exactly where no setting meets every must, and the proof’s needs are needed, each of them', () => {
    let proofs = 0
    fc.assert(
      fc.property(anyHost, anyDrive, cable, (host, drive, how) => {
        // Brute force on the full host's pins, with other needs taken as none: a need that is left out still drives
        // its pin.
        const meets = (needs: readonly Need[]) => {
          const soft = host.needs.map((n): Need => (needs.includes(n) ? n : { ...n, weight: 'notice' }))
          const best = bruteForce({ ...host, needs: soft }, drive, how)
          return best !== null && best[0] === 0
        }
        const musts = host.needs.filter(n => n.weight !== 'notice')
        const proof = proveImpossible(host, drive, how)
        expect(proof === null).toBe(meets(musts))
        if (!proof) return
        proofs++
        expect(meets(proof.needs)).toBe(false)
        for (const n of proof.needs) expect(meets(proof.needs.filter(x => x !== n))).toBe(true)
        expect(proof.because).toMatch(/^[A-Z].*\.$/s)
      }),
      { numRuns: 200, seed: 7 },
    )
    expect(proofs).toBeGreaterThan(20)
  })

  it('visits a small part of the settings of a drive with many straps', () => {
    const many: DriveProfile = {
      ...DRIVES[0]!,
      choices: [
        ...DRIVES[0]!.choices,
        ...Array.from({ length: 15 }, (_, i): Choice => ({
          id: `x${i}`,
          label: `Spare strap ${i}`,
          kind: 'strap',
          positions: [0, 1, 2].map(n => ({ id: `p${n}`, label: `${n}` })),
        })),
      ],
    }
    const found = solveFit(HOSTS[0]!, many, 'straight')!
    expect(found.cost.slice(0, 3)).toEqual(solveFit(HOSTS[0]!, DRIVES[0]!, 'straight')!.cost.slice(0, 3))
    expect(found.visited).toBeLessThan(settingsOf(many) / 1e6)
  })
})

describe('what a person is told', () => {
  const [change, ready, , , eight] = HOSTS
  const [strapped, soldered, , oneHead] = DRIVES
  const fit = (h?: HostProfile, d?: DriveProfile, c: Cable = 'straight') => judgeFit(h!, d!, c)

  it('lists the straps to move, and nothing else', () => {
    const f = fit(change, strapped)
    expect(f.call).toMatchObject({
      kind: 'nudge',
      next: 'Set Select strap to “select 1”, Strap at pin 34 to “change” and Strap at pin 2 to “density in”.',
    })
    expect(f.noticed).toEqual([])
    expect(f.pins.every(p => p.agrees)).toBe(true)
  })
  it('names the wires where straps do not do', () => {
    const f = fit(ready, soldered)
    expect(f.call.kind).toBe('mend')
    expect(f.sets.filter(s => s.moved).map(s => [s.choice.id, s.position])).toEqual([
      ['cut-select', 'cut'],
      ['cut-34', 'cut'],
      ['w-select', 'to pin 10'],
      ['w-ready', 'to pin 34'],
      ['w-change', 'to pin 2'],
    ])
  })
  it('says what is noticed where something is only wished for', () => {
    expect(fit(change, oneHead).impossible!.because).toBe(
      'Nothing on the drive gives side on pin 32: no fixed line, no strap and no wire.',
    )
    const noChange = { ...strapped!, choices: strapped!.choices.filter(c => c.id !== 'p34') }
    expect(fit(change, noChange).noticed.map(n => n.text)).toEqual([
      'a change of disk is never seen: the last disk’s directory stays',
    ])
    const always = {
      ...oneHead!,
      fixed: { ...oneHead!.fixed, ways: [...oneHead!.fixed.ways!] },
      choices: oneHead!.choices.map(c =>
        c.id === 'motor' ? { ...c, positions: [c.positions[1]!], found: undefined } : c,
      ),
    }
    expect(fit(HOSTS[2], always).noticed.map(n => n.text)).toContain('the motor never stops')
  })
  it('says why two needs cannot be met together', () => {
    const both: HostProfile = {
      ...change!,
      needs: [
        ...change!.needs.filter(n => n.id !== 'disk-change'),
        { id: 'ready', weight: 'must', wants: [{ kind: 'line', signal: 'ready', pin: 34 }] },
        { id: 'change', weight: 'must', wants: [{ kind: 'line', signal: 'disk-change', pin: 34 }] },
      ],
    }
    expect(fit(both, strapped).impossible!.because).toBe(
      'Strap at pin 34 would have to stand at “ready” for ready on pin 34 and at “change” for disk change on pin 34.',
    )
  })
  // A description from memory proves nothing impossible: on the real host the line may hardly be looked at.
  it('a need that is only remembered leaves the call open, and names the line to look at', () => {
    for (const host of HOSTS) expect(host.needs.every(n => n.weight !== 'must')).toBe(true)
    const [need] = fit(HOSTS[3], oneHead).impossible!.needs
    expect(need!.weight).toBe('expected')
    const remembered = fit(HOSTS[3], oneHead)
    expect(remembered.call).toMatchObject({ kind: 'unknown', next: expect.stringMatching(/^Look on the real host/) })
    const seen = { ...HOSTS[3]!, needs: HOSTS[3]!.needs.map(n => ({ ...n, weight: 'must' as const })) }
    expect(fit(seen, oneHead).call).toMatchObject({
      kind: 'mend',
      reasons: [expect.stringMatching(/^No setting fits/)],
    })
  })
  it('plugs of different numbers of pins want a cable made for it', () => {
    const f = fit(eight, DRIVES[2])
    expect(f.call.reasons.at(-1)).toBe('The plugs have different numbers of pins.')
    const made = fit(HOSTS[3], DRIVES[4], 'made')
    expect(made.pins.find(p => p.host === 'read data')).toMatchObject({ pin: 30, from: 46, agrees: true })
  })
})
