import { describe, expect, it } from 'vitest'
import {
  findFinding,
  findingsNamed,
  findQuestion,
  holds,
  QUESTIONS,
  situationOf,
  type Condition,
} from '../../../src/findings'
import {
  FEATURE_RANGES,
  FEATURE_TAGS,
  MECHANISM_IDS,
  NO_FEATURES,
  type Features,
  type MechanismId,
} from '../../../src/drives'
import type { LogEntry } from '../../../src/log'
import { CAUTIONS, findStep, GATES, STATIONS, walk } from '../../../src/bench/stations'
import { found } from '../../log'

/** Every variant of every class, one feature at a time and all unknown. */
const variants: { mechanism: MechanismId; features: Features }[] = MECHANISM_IDS.flatMap(mechanism => {
  const range = FEATURE_RANGES[mechanism]
  const one = Object.entries(range).flatMap(([key, values]) =>
    (values as readonly unknown[]).map(value => ({ ...NO_FEATURES, [key]: value }) as Features),
  )
  return [NO_FEATURES, ...one].map(features => ({ mechanism, features }))
})
const steps = STATIONS.flatMap(s => s.steps)
const now = Date.UTC(2026, 2, 1, 12)

describe('procedures as data', () => {
  it('cover nine classes and the variants of the trade', () => {
    expect(variants.length).toBeGreaterThan(50)
    for (const v of variants) {
      const w = walk(v, [], now)
      for (const s of w.stations) expect(s.steps.length, `${v.mechanism} ${s.station.id}`).toBeGreaterThan(0)
    }
  })

  it('every step says why, what it makes possible and how long it takes; all it names exists', () => {
    expect(new Set(steps.map(s => s.id)).size).toBe(steps.length)
    for (const station of STATIONS) {
      for (const step of station.steps) {
        expect(step.id.startsWith(`${station.id}.`)).toBe(true)
        expect(step.title.length, step.id).toBeLessThan(60)
        for (const words of [step.why, step.makes]) expect(words, step.id).toMatch(/\.$/)
        expect(step.hands).toBeGreaterThan(0)
        for (const id of step.after ?? []) expect(findStep(id), id).not.toBeNull()
        for (const id of step.asks ?? []) expect(findQuestion(id)).toBeTruthy()
        for (const id of findingsNamed(step.when)) expect(findFinding(id)).toBeTruthy()
        for (const id of step.cautions ?? []) expect(CAUTIONS[id]).toBeTruthy()
      }
    }
  })

  it('an answer does one step of a station; another that asks the same there is ticked by hand', () => {
    for (const station of STATIONS) {
      const asked = new Set<string>()
      for (const step of station.steps.filter(s => !s.byHand)) {
        // Two steps may ask the same where no drive has both.
        for (const q of step.asks ?? []) {
          const both = station.steps.filter(o => !o.byHand && o.asks?.includes(q))
          const together = variants.some(
            v => both.filter(o => holds(o.when, situationOf(v, findingsNamed(o.when)))).length > 1,
          )
          expect(asked.has(q) && together, `${step.id} asks ${q} again`).toBe(false)
          asked.add(q)
        }
      }
    }
  })

  it('every feature that drives of a class differ by has a step or a caution of its own', () => {
    const named = (c: Condition | undefined): string[] =>
      !c
        ? []
        : 'has' in c
          ? [c.has]
          : 'said' in c
            ? [c.said]
            : 'all' in c
              ? c.all.flatMap(named)
              : 'any' in c
                ? c.any.flatMap(named)
                : 'not' in c
                  ? named(c.not)
                  : []
    const used = new Set([
      ...steps.flatMap(s => named(s.when)),
      ...Object.values(CAUTIONS).flatMap(c => named(c.when)),
      ...QUESTIONS.flatMap(q => named(q.when)),
    ])
    // A direct drive is a belt drive's steps less the belt.
    expect(FEATURE_TAGS.filter(t => !used.has(t))).toEqual(['direct'])
  })

  it('every step is reached by some drive on which something is found', () => {
    for (const step of steps) {
      const reached = variants.some(v =>
        [[], ...findingsNamed(step.when).map(f => [f])].some(f => holds(step.when, situationOf(v, f))),
      )
      expect(reached, step.id).toBe(true)
    }
  })

  it('every finding that brings a step or closes a gate can be entered on the drives that it concerns', () => {
    const asked = new Set(steps.flatMap(s => s.asks ?? []))
    for (const gate of GATES)
      for (const c of gate.conditions) if (c.question) expect(asked.has(c.question), c.id).toBe(true)
    for (const id of steps.flatMap(s => findingsNamed(s.when)))
      expect(asked.has(findFinding(id).question.id), id).toBe(true)
  })

  it('no step waits for itself, by its order or by its gate', () => {
    const after = new Map(steps.map(s => [s.id, [...(s.after ?? [])]]))
    const seen = new Map<string, 'open' | 'done'>()
    const visit = (id: string, path: string[]): void => {
      if (seen.get(id) === 'done') return
      expect(seen.get(id), [...path, id].join(' > ')).not.toBe('open')
      seen.set(id, 'open')
      for (const b of after.get(id) ?? []) visit(b, [...path, id])
      seen.set(id, 'done')
    }
    for (const s of steps) visit(s.id, [])
    // A question that a gate needs must be asked by a step that this gate does not hold itself.
    const gateOrder = GATES.map(g => g.id)
    for (const [i, gate] of GATES.entries()) {
      for (const b of gate.after ?? []) expect(gateOrder.indexOf(b)).toBeLessThan(i)
      const behind = new Set([gate.id, ...GATES.filter(g => g.after?.includes(gate.id)).map(g => g.id)])
      for (const c of gate.conditions) {
        if (c.question)
          expect(
            steps.some(s => s.asks?.includes(c.question!) && !(s.gate && behind.has(s.gate))),
            `${gate.id} ${c.id}`,
          ).toBe(true)
      }
    }
  })

  it.each(variants.filter(v => v.features === NO_FEATURES || v.features.pictureTube || v.features.spindle))(
    'every gate of $mechanism $features.spindle opens once its questions are answered well',
    v => {
      const log: LogEntry[] = []
      const gates = () => walk(v, log, now).gates
      for (const gate of gates()) {
        for (const c of gate.gate.conditions.filter(c => holds(c.when, situationOf(v, [])) && c.question)) {
          const good =
            findQuestion(c.question!).findings.find(f =>
              c.needs ? c.needs.includes(f.id) : !c.blockedBy?.includes(f.id) && f.call === 'leave',
            ) ?? findQuestion(c.question!).findings.find(f => !c.blockedBy?.includes(f.id))!
          log.push(found(good.id))
        }
      }
      for (const g of gates()) expect(g.missing, g.gate.id).toEqual([])
    },
  )
})

describe('a removable-cartridge drive', () => {
  // Common practice, no source: its own bus, servo and cartridge know nothing of a floppy drive's straps and sensors.
  it('has no straps, index, track zero, write-protect tab or screw to work on', () => {
    const steps = walk({ mechanism: 'cartridge' }, [], 0).stations.flatMap(s => s.steps.map(x => x.step))
    const other = ['open.straps', 'clean.grease', 'clean.sensors', 'electronics.straps', 'first-power.protect']
    for (const id of other) expect(steps.map(s => s.id)).not.toContain(id)
    for (const { id, title } of steps)
      expect(title, id).not.toMatch(/strap set|terminator|track zero|index window|protect/i)
  })
  it('its heads are looked at and never adjusted', () => {
    const steps = walk({ mechanism: 'cartridge' }, [], 0).stations.flatMap(s => s.steps.map(x => x.step))
    expect(steps.map(s => s.id)).toContain('look.heads')
    expect(steps.filter(s => s.id.startsWith('align.')).map(s => s.id)).toEqual(['align.servo'])
  })
})
