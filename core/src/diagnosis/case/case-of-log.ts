import {
  inMachine,
  supportingEntries,
  zoneCounts,
  type CountedPlace,
  type CountedSectors,
  type DriveFacts,
  type LogEntry,
  type SurfaceBar,
  type WriteTestResult,
} from '../../log'
import { median } from '../../base/numbers'
import { findingsAmong } from '../../findings'
import { calculatorAnswers } from './calculator-readings'
import { READING_KEYS } from './reading-keys'
import type { CaseReading, DiagnosisCase } from './read-case'

const KEYS = new Set(READING_KEYS)

/** Steps that are a treatment, whatever came of it. */
const STEPS_AS: Readonly<Record<string, string>> = {
  'clean.heads': 'clean.heads',
  'clean.sensors': 'clean.sensors',
  'clean.switches': 'clean.switches',
  'clean.grease': 'clean.grease',
  'clean.leak': 'clean.board',
  'clean.free': 'free.carriage',
  'speed.trim': 'set.trimmer',
}

const reading = (
  e: LogEntry,
  key: string,
  value: CaseReading['value'],
  unit = '',
  uncertainty: number | null = null,
): CaseReading => ({ key, value, unit, source: e.evidence?.source ?? 'hand', uncertainty, at: e.seq })

/** Sectors that read, and timing margin where all of them did, % by head and zone of a surface. */
const surfaceReadings = (e: LogEntry, bars: readonly SurfaceBar[]): CaseReading[] =>
  zoneCounts(bars).flatMap(({ place, good, all, margins }) => {
    if (all === 0) return []
    const read = reading(e, `read.${place}`, (100 * good) / all, '%', 0)
    const whole = good === all && margins.length > 0
    return whole ? [read, reading(e, `margin.${place}`, 100 * median(margins), '%', 0)] : [read]
  })

function readingsOf(e: LogEntry): CaseReading[] {
  const { data } = e
  if (data?.type === 'reading') return [reading(e, data.key, data.value, data.unit, data.uncertainty)]
  if (data?.type === 'speed') {
    const peak = e.observations.find(o => o.key === 'speed.variation.peak')?.value
    const speed = reading(e, 'speed.mean', data.rpm, 'r/min', data.uncertainty)
    return typeof peak === 'number' ? [speed, reading(e, 'speed.variation.peak', peak, '%')] : [speed]
  }
  if (data?.type === 'read-test') {
    const shown = (data.shows ?? []).map(x => reading(e, x.key, x.value, x.unit))
    const home = data.surface.homeOff === 0 ? [] : [reading(e, 'see.header', 'other')]
    return [...surfaceReadings(e, data.bars), ...home, ...shown]
  }
  if (data?.type === 'write-test') return writeReadings(e, data.result)
  if (data?.type === 'cross-read') return crossReadings(e, data.places)
  if (data?.type === 'proof' && data.test === 'interchange')
    return [reading(e, 'written.elsewhere', data.errors === 0 ? 'reads' : 'fails')]
  if (data?.type === 'sum') return calculatorReadings(e, data.instrument, data.values)
  return []
}

/** What was typed into a calculator, as readings; its own findings are derived, and no evidence of their own. */
const calculatorReadings = (e: LogEntry, calculator: string, values: Readonly<Record<string, string>>): CaseReading[] =>
  calculatorAnswers(calculator, values, e.call?.kind ?? null).map(a => reading(e, a.key, a.value, a.unit))

/** Sectors that a host counted, as whether it did what it should. */
const counted = (c: CountedSectors | null): boolean | null => c && c.good === c.sectors

/** What a write test showed. */
function writeReadings(e: LogEntry, r: WriteTestResult): CaseReading[] {
  const out: CaseReading[] = []
  if (r.blocked !== null && r.allowed !== null && (r.blocked || r.allowed))
    out.push(reading(e, 'see.protect', r.blocked && r.allowed ? 'both' : r.blocked ? 'always' : 'never'))
  const formats = r.format.map(counted).filter(x => x !== null)
  if (formats.length) out.push(reading(e, 'see.format', formats.every(Boolean) ? 'yes' : 'no'))
  const patterns = r.pattern.filter(c => c !== null)
  if (patterns.length)
    out.push(
      reading(e, 'see.write', patterns.every(counted) ? 'right' : patterns.every(c => c.good === 0) ? 'no' : 'errors'),
    )
  const over = r.overwrite.map(counted).filter(x => x !== null)
  if (over.length) out.push(reading(e, 'see.overwrite', over.every(Boolean) ? 'clean' : 'old data remain'))
  return out
}

/** A disk of the shelf read here, its sectors counted. */
function crossReadings(e: LogEntry, places: readonly CountedPlace[]): CaseReading[] {
  return places
    .filter(p => p.sectors > 0)
    .map(p => reading(e, `read.${p.head ? 'upper' : 'lower'}.${p.zone}`, (100 * p.good) / p.sectors, '%', 0))
}

/** The last value of every reading among the entries that hold, by its key. */
export const readingsAmong = (entries: readonly LogEntry[]): Map<string, string | number> =>
  new Map(
    entries
      .flatMap(readingsOf)
      .filter(r => typeof r.value !== 'boolean')
      .map(r => [r.key, r.value as string | number]),
  )

const yearIn = (text: string): number | null => Number(/\b(?:19[6-9]\d|20[0-3]\d)\b/.exec(text)?.[0] ?? 0) || null

/**
 * Everything on a drive's log that speaks for a cause: what was found and still holds, readings typed and measured,
 * surfaces, calculators, complaints, treatments and swaps. What is derived from a reading is left out.
 */
export function caseOfLog(drive: DriveFacts, log: readonly LogEntry[]): DiagnosisCase {
  const entries = supportingEntries(log, drive)
  const readings = entries.flatMap(readingsOf).filter(r => KEYS.has(r.key))
  const complaints = new Map(
    readings.filter(r => r.key.startsWith('complaint.')).map(r => [r.key.slice('complaint.'.length), r]),
  )
  const open = [...complaints].filter(([, r]) => r.value === 'seen' || r.value === 'now and then')
  const machines = inMachine(entries).replaces
  /** What came with the machine and is gone with this drive was never cured in it: it does not show it. */
  const asSeen = (r: CaseReading): CaseReading =>
    r.value === 'cured' && machines?.complaints.includes(r.key.slice('complaint.'.length)) && r.at! > machines.entry.seq
      ? { ...r, value: 'not seen' }
      : r
  return {
    mechanism: drive.mechanism,
    features: drive.features,
    model: drive.model,
    year: drive.year ?? yearIn(drive.model) ?? yearIn(drive.ownerWords),
    complaints: open.map(([id]) => ({ id, at: null })),
    found: findingsAmong(entries).map(f => ({ finding: f.finding.id, place: f.place, at: f.entry.seq })),
    readings: readings
      .filter(r => {
        if (!r.key.startsWith('complaint.')) return true
        // The latest word on a complaint counts; one that stands is told as a complaint.
        const id = r.key.slice('complaint.'.length)
        return complaints.get(id) === r && !open.some(([o]) => o === id)
      })
      .map(asSeen),
    checks: [],
    done: entries.flatMap(e => {
      const treatment = e.data?.type === 'step' ? STEPS_AS[e.data.step] : undefined
      return treatment ? [{ treatment, at: e.seq }] : []
    }),
  }
}

/** Complaints of a drive that are neither cured nor gone, by their ids. */
export const openComplaints = (c: DiagnosisCase): string[] => c.complaints.map(x => x.id)
