import { supportingEntries, type DriveFacts, type LogEntry, type SurfaceBar } from '../../log'
import { findingsAmong } from '../../findings'
import { zoneOfCylinder } from '../../drives'
import { findCheck } from '../knowledge/knowledge'
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

/** Calculators whose fields are answers of checks: prefix of the check for each field. */
const CALCULATORS_AS: Readonly<Record<string, string>> = { processor: 'processor.' }

const reading = (
  e: LogEntry,
  key: string,
  value: CaseReading['value'],
  unit = '',
  uncertainty: number | null = null,
): CaseReading => ({ key, value, unit, source: e.evidence?.source ?? 'hand', uncertainty, at: e.seq })

/** Sectors that read, % by head and zone, of a surface. */
function surfaceReadings(e: LogEntry, bars: readonly SurfaceBar[], cylinders: number): CaseReading[] {
  const sums = new Map<string, { good: number; all: number }>()
  for (const bar of bars) {
    const key = `read.${bar.head ? 'upper' : 'lower'}.${zoneOfCylinder(bar.cylinder, cylinders)}`
    const sum = sums.get(key) ?? { good: 0, all: 0 }
    sum.good += bar.good
    sum.all += bar.good + bar.bad + bar.missing + bar.wrongCylinder
    sums.set(key, sum)
  }
  return [...sums].filter(([, s]) => s.all > 0).map(([key, s]) => reading(e, key, (100 * s.good) / s.all, '%', 0))
}

function readingsOf(e: LogEntry): CaseReading[] {
  const { data } = e
  if (data?.type === 'reading') return [reading(e, data.key, data.value, data.unit, data.uncertainty)]
  if (data?.type === 'speed') {
    const peak = e.observations.find(o => o.key === 'speed.variation.peak')?.value
    const speed = reading(e, 'speed.mean', data.rpm, 'r/min', data.uncertainty)
    return typeof peak === 'number' ? [speed, reading(e, 'speed.variation.peak', peak, '%')] : [speed]
  }
  if (data?.type === 'read-test') {
    const last = data.bars.reduce((most, b) => Math.max(most, b.cylinder), 0)
    return surfaceReadings(e, data.bars, last + 1)
  }
  if (data?.type === 'sum') return calculatorReadings(e, data.instrument, data.values)
  return []
}

/** What was typed into a calculator that is an answer of a check. */
function calculatorReadings(e: LogEntry, calculator: string, values: Readonly<Record<string, string>>): CaseReading[] {
  const prefix = CALCULATORS_AS[calculator]
  if (!prefix) return []
  return Object.entries(values)
    .map(([field, value]) => ({ check: findCheck(`${prefix}${field}`), value }))
    .filter(({ check, value }) => check?.answers.includes(value))
    .map(({ check, value }) => reading(e, check!.id, value))
}

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
  return {
    mechanism: drive.mechanism,
    features: drive.features,
    model: drive.model,
    year: yearIn(drive.model) ?? yearIn(drive.ownerWords),
    complaints: open.map(([id]) => ({ id, at: null })),
    found: findingsAmong(entries).map(f => ({ finding: f.finding.id, place: f.place, at: f.entry.seq })),
    readings: readings.filter(r => {
      if (!r.key.startsWith('complaint.')) return true
      // The latest word on a complaint counts; one that stands is told as a complaint.
      const id = r.key.slice('complaint.'.length)
      return complaints.get(id) === r && !open.some(([o]) => o === id)
    }),
    checks: [],
    done: entries.flatMap(e => {
      const treatment = e.data?.type === 'step' ? STEPS_AS[e.data.step] : undefined
      return treatment ? [{ treatment, at: e.seq }] : []
    }),
  }
}

/** Complaints of a drive that are neither cured nor gone, by their ids. */
export const openComplaints = (c: DiagnosisCase): string[] => c.complaints.map(x => x.id)
