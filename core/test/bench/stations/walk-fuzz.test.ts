import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { asFoundRecord, holds, QUESTIONS, situationOf, standingFindings } from '../../../src/findings'
import { putBackList } from '../../../src/bench/put-back'
import { FEATURE_RANGES, MECHANISM_IDS, NO_FEATURES, type Features } from '../../../src/drives'
import { STATION_IDS, type LogEntry } from '../../../src/log'
import { consequencesOf, GATES, minutesToGo, nextAt, walk, type Walked } from '../../../src/bench/stations'
import { entry, found, marked, putBack, undone, withData } from '../../log'

const now = Date.UTC(2026, 2, 2)
const findings = QUESTIONS.flatMap(q =>
  q.findings.flatMap(f => [null, ...(q.places ?? [])].map(place => ({ id: f.id, place }))),
)

const drives: fc.Arbitrary<Walked> = fc.constantFrom(...MECHANISM_IDS).chain(mechanism =>
  fc.record({
    mechanism: fc.constant(mechanism),
    features: fc
      .record(
        Object.fromEntries(
          Object.entries(FEATURE_RANGES[mechanism]).map(([k, values]) => [
            k,
            fc.constantFrom(null, ...(values as unknown[])),
          ]),
        ),
      )
      .map(f => ({ ...NO_FEATURES, ...f }) as Features),
  }),
)

/** Anything that people may say to a log, in any order; marks refer to what is there. */
const logs: fc.Arbitrary<LogEntry[]> = fc
  .array(
    fc.record({
      what: fc.constantFrom(
        'finding',
        'finding',
        'finding',
        'mark',
        'undone',
        'back',
        'wait',
        'step',
        'station',
        'gate',
        'take back',
      ),
      pick: fc.nat(10_000),
      station: fc.constantFrom(...STATION_IDS),
    }),
    { maxLength: 40 },
  )
  .map(moves => {
    const log: LogEntry[] = []
    const marks: LogEntry[] = []
    for (const { what, pick, station } of moves) {
      const mark = marks[pick % Math.max(1, marks.length)]
      if (what === 'finding') {
        const f = findings[pick % findings.length]!
        log.push(found(f.id, station, f.place))
      } else if (what === 'mark') {
        const m = marked({
          kind: (['connector', 'loose', 'wire', 'tie', 'part'] as const)[pick % 5],
          name: `m${pick}`,
          behind: mark?.id ?? null,
        })
        marks.push(m)
        log.push(m)
      } else if (what === 'undone' && mark) log.push(undone(mark, pick % 3 ? null : 'cut'))
      else if (what === 'back' && mark) log.push(putBack(mark, pick % 5 === 0))
      else if (what === 'wait')
        log.push(
          withData(
            'wait',
            { type: 'wait', minutes: 1 + pick, holds: pick % 2 ? 'clean.heads' : null },
            { station, title: 'Glue' },
          ),
        )
      else if (what === 'step') log.push(withData('step', { type: 'step', step: 'clean.dust' }, { station: 'clean' }))
      else if (what === 'station') log.push(entry({ kind: 'station', station }))
      else if (what === 'gate')
        log.push(
          withData(
            'override',
            {
              type: 'override',
              gate: GATES[pick % GATES.length]!.id,
              missing: GATES[pick % GATES.length]!.conditions.map(c => c.id),
            },
            { detail: 'A reason that is long enough.' },
          ),
        )
      else if (what === 'take back' && log.length)
        log.push(entry({ kind: 'taken-back', takesBack: log[pick % log.length]!.id }))
    }
    return log
  })

describe('whatever is said to a log', () => {
  it('a drive can be walked, and what is said of it agrees with itself', () => {
    fc.assert(
      fc.property(drives, logs, (drive, log) => {
        const w = walk(drive, log, now)
        for (const g of w.gates) {
          expect(g.open).toBe(g.missing.length === 0)
          expect(g.call.kind).toBe(g.open ? 'leave' : 'stop')
          expect(g.forbidden).toBe(g.missing.some(m => m.kind === 'forbids'))
          if (g.forbiddenHere) expect(g.forbidden).toBe(true)
          for (const m of g.missing) expect(m.sentence).toMatch(/\.$/)
        }
        for (const s of w.stations) {
          for (const step of s.steps) {
            if (step.done) expect(step.hold).toBeNull()
            if (!step.ticked) expect(holds(step.step.when, w.situation)).toBe(true)
          }
          const next = nextAt(w, s.station.id)
          // A caution that is still to be read comes where its step stands; any other hold comes last.
          if (next?.hold && next.hold.kind !== 'caution')
            expect(s.steps.filter(x => !x.done).every(x => x.hold)).toBe(true)
          expect(next === null).toBe(s.steps.every(x => x.done))
        }
        expect(minutesToGo(w)).toBeGreaterThanOrEqual(0)
      }),
      { numRuns: 150 },
    )
  })

  it('no two answers contradict each other at one place, and what is clean stands alone there', () => {
    fc.assert(
      fc.property(logs, log => {
        const standing = standingFindings(log)
        for (const f of standing) {
          const same = standing.filter(o => o.question === f.question && o.place === f.place)
          if (!f.question.several || f.finding.clean) expect(same).toEqual([f])
          else expect(new Set(same.map(o => o.finding.id)).size).toBe(same.length)
          // What this one clears was not found before it.
          for (const id of f.finding.clears ?? [])
            expect(standing.some(o => o.finding.id === id && o.entry.seq < f.entry.seq)).toBe(false)
        }
      }),
      { numRuns: 300 },
    )
  })

  it('every undone thing is on the put-back list once, nothing in front of what lies behind it unless the record runs in a circle', () => {
    fc.assert(
      fc.property(logs, log => {
        const record = asFoundRecord(log)
        const { steps, left, warnings } = putBackList(record)
        expect(steps.map(s => s.recorded.entry.id).sort()).toEqual(
          record
            .filter(r => r.undone)
            .map(r => r.entry.id)
            .sort(),
        )
        expect(left).toBe(record.filter(r => r.undone && !r.putBack).length)
        if (warnings.some(w => w.includes('circle'))) return
        const at = new Map(steps.map((s, i) => [s.recorded.entry.id, i]))
        for (const s of steps) {
          const front = s.recorded.item.behind ? at.get(s.recorded.item.behind) : undefined
          if (front !== undefined) expect(at.get(s.recorded.entry.id)!).toBeLessThan(front)
        }
      }),
      { numRuns: 200 },
    )
  })

  it('taking everything back brings the drive to where it began', () => {
    fc.assert(
      fc.property(drives, logs, (drive, log) => {
        const all = [
          ...log,
          ...log.filter(e => e.kind !== 'taken-back').map(e => entry({ kind: 'taken-back', takesBack: e.id })),
        ]
        const [fresh, back] = [walk(drive, [], now), walk(drive, all, now)]
        expect(consequencesOf(fresh, back)).toEqual([])
        expect(back.situation).toEqual(situationOf(drive, []))
        expect(back.progress).toEqual(fresh.progress)
      }),
      { numRuns: 100 },
    )
  })
})
