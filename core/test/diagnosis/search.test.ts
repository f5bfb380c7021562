import { describe, expect, it } from 'vitest'
import { diagnose, readCase, searchSayable } from '../../src/diagnosis'
import type { MechanismId } from '../../src/drives'
import { situationOf } from '../../src/findings'

const on = (mechanism: MechanismId) => situationOf({ mechanism }, [])
const first = (words: string, mechanism: MechanismId) => searchSayable(words, on(mechanism))[0]?.id

/** Words that people use at the bench, and the first hits that make sense (common practice), by drive type. */
const WORDS: Readonly<Partial<Record<MechanismId, string>>> = {
  '5.25in-48': `
    spins: power.spins turns.good turns.dead spins-always
    not spinning: turns.dead no-spin
    read error: reads-nothing
    hangs: host.hangs host-hangs
    freezes: host.hangs host-hangs
    computer locks up: host.hangs host-hangs
    flashing: lamp.flashes lamp-codes
    jumper: straps.looked
    whine: noise.whines
    switch: switch.broken switch.sticks
    dead: power.dead dead
    no power: dead volts.no-5
    clicking: noise.clicks noise-click
    squeak: noise.squeals
    squeal: noise.squeals noise-squeal
    grinding: noise.grinds noise-grinding
    too slow: spins-slow
    too fast: spins-fast
    wobble: spindle.wobble spins-uneven
    wow: spins-uneven
    belt: belt.slack belt.gone
    melted belt: belt.goo
    belt broken: belt.cracked belt.gone
    sticky: belt.goo switch.sticks
    fish smell: smell.fish
    burnt: smell.burnt damage.burn
    smoke: power.smoke smoke
    gets hot: smoke turns.hot see.hot
    rust: motor.rusted corrosion.rust
    rusty rail: corrosion.rust
    mold: belt.mouldy smell.must
    crack: damage.cracked belt.cracked pins.cracked
    bent pin: pins.bent
    broken pin: pins.base pins.snapped
    missing screw: missing.screw
    loose screw: rattle.loose
    rattle: noise.rattles noise-rattle
    vibration: noise.rattles
    seized: motor.stiff
    stuck disk: disk.stuck
    will not eject: no-eject
    jammed: no-load
    insert disk: no-disk
    write protected: protect.always always-protected
    read only: always-protected protect.always reads-outer
    cannot save: no-write
    format fails: no-format
    verify errors: write-errors
    wrong track: steps-wrong
    seek error: steps-wrong no-home
    recalibrate: no-home
    track zero: flag.bent no-home
    stepper: stepper.phases no-step
    head crash: heads.torn
    scratched disk: sacrifice.marked disk-damaged
    torn head: heads.torn
    dirty heads: headclean.brown
    azimuth: azimuth
    lacquer: lacquer.broken lacquer.never
    seal broken: lacquer.broken
    index: see.index
    not ready: host.notready not-ready
    dead motor: turns.dead no-spin
    weak motor: turns.weak
    stiff: motor.stiff
    intermittent: turns.sometimes comes.chance spins-sometimes
    works when warm: comes.cold reads-warm
    fails when warm: reads-cold comes.warm
    cover: missing.cover comes.covers
    cable: see.cable comes.wire
    ribbon: comes.wire damage.cut
    crimp: comes.wire
    loose contact: comes.plug
    corrosion: corrosion.rust corrosion.green
    green: corrosion.green
    leaking: caps.leaking
    swollen capacitor: caps.bulged
    short: shorts.found
    fuse: ohms.fuse
    voltage: volts.no-5 volts.good volts.sags-5
    5v: supply.5v volts.no-5
    12v low: volts.sags-12 supply.12v
    ripple: supply.5v.ripple volts.noisy
    hum: turns.hums
    buzz: noise.rattles
    led: lamp.dark
    light stays on: lamp.always
    flickers: lamp.dim
    not detected: host.unseen not-recognised
    will not boot: host.hangs host-hangs
    reboots: host.dims
    brown-out: host-dims host.dims
    terminator: straps.looked
    drive number: see.other-number
    drive select: see.select
    one side: reads-one-side
    inner tracks: reads-inner
    outer tracks: reads-outer
    retries: slow-retries
    picky: reads-some-disks
    own disks: reads-own-only
    other drives: not-elsewhere
    after repair: after-work
    untested: never-tried
    dusty: grease.dirty
    hardened grease: grease.set
    oil: grease.dirty grease.none
    bearing: motor.rough noise.grinds
    screw heads: screws.marred screws.odd
    felt pad: pad.worn pad.gone
    water: damage.liquid
    dented: damage.bent
    burn mark: damage.burn
    cut wire: damage.cut
    solder joint: pins.cracked
    dark spot: chips.spot
    stalled: turns.hums
    hammering: noise.knocks head-bangs power.stop
    cold joint: comes.board pins.cracked`,
  '3.5in': `
    density: wrong-density
    shutter: arm.missing arm.bent
    old directory: change-unseen host.old-list
    eject button: switch.sticks switch.broken missing.lever`,
  '3.5in-eject': `
    teeth: gears.teeth
    spits the disk out: ejects-by-itself`,
  '5.25in-serial': `
    clock: processor.clock
    memory: swap.memory processor.bus
    processor: swap.processor processor.reset processor.clock processor.bus processor.irq processor.select`,
  cartridge: 'clicks: click.steady noise.clicks noise-click',
}
const rows = Object.entries(WORDS).flatMap(([mechanism, text]) =>
  text
    .trim()
    .split('\n')
    .map(line => line.trim().split(': '))
    .map(([words, ids]) => [words!, mechanism as MechanismId, ids!.split(' ')] as const),
)

describe('what can be said of a drive is found by the words that people use', () => {
  it('is asked for enough of them', () => expect(rows.length).toBeGreaterThanOrEqual(120))
  it.each(rows)('%s, on %s', (words, mechanism, sensible) => expect(sensible).toContain(first(words, mechanism)))
  it('forgives a slip of the key, and finds nothing where nothing is called so', () => {
    expect(first('squeel', '5.25in-48')).toBe('noise.squeals')
    expect(searchSayable('', on('8in'))).toEqual([])
    expect(searchSayable('unicorn', on('8in'))).toEqual([])
  })
  it('offers only what a drive has, and only the kinds that are asked for', () => {
    expect(searchSayable('melted belt', on('3.5in')).map(h => h.id)).not.toContain('belt.goo')
    expect(searchSayable('click', on('3.5in')).map(h => h.id)).not.toContain('click.steady')
    expect(new Set(searchSayable('motor', on('8in'), ['complaint']).map(h => h.kind))).toEqual(new Set(['complaint']))
  })
})

describe('what was found counts, by which part it was found on', () => {
  const causes = (found: readonly (string | object)[], mechanism: MechanismId = '3.5in') =>
    diagnose(readCase({ mechanism, complaints: [], found: [...found] })).causes.map(c => c.fault)
  it('a switch by its place', () => {
    expect(causes([{ finding: 'switch.sticks', place: 'disk-in' }])[0]).toBe('disk-in-switch.stuck')
    expect(causes([{ finding: 'switch.sticks', place: 'write-protect' }])[0]).toBe('protect-switch.stuck')
    expect(causes([{ finding: 'switch.dirty', place: 'disk-in' }])[0]).toBe('disk-in-switch.dirty')
  })
  it('a motor that is rusted, a lead, a supply that sags, a host that hangs', () => {
    expect(causes(['motor.rusted', 'turns.dead'])[0]).toBe('spindle-motor.seized')
    expect(causes(['motor.lead', 'turns.dead'])[0]).toBe('spindle-motor-lead.broken')
    expect(causes(['volts.no-5', 'power.dead'])).toContain('supply.missing')
    expect(causes(['pins.base'])[0]).toBe('connector.pins-broken')
  })
})
